import { randomUUID } from 'node:crypto'
import type { PrintedReply, PrintReply, PrintVersions } from '@otter/api'
import { versionSeed } from '@otter/api'
import { Asking, gameOf, upgradedPuzzle, type GameKind } from '@otter/core'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { draftGames, fingerprintOf, keepVersion, type GameDraft } from './games.ts'
import { readVersion } from './lists.ts'

/** How long what was printed is kept, and how much of one game of a list is shown. */
const KEPT = '400 days'
const SHOWN = 20

const PRINTS = `SELECT p.id, p.kind, p.seed, p.rules, p.printed_at AS "printedAt",
  (SELECT count(*)::int FROM print_versions n WHERE n.print_id = p.id) AS versions
  FROM prints p JOIN lists l ON l.id = p.list_id AND l.teacher_id = $teacherId`

/** Reads a list for all versions of a game that are to be printed. Throws as `draftGame` does. */
export function draftPrint(scope: TeacherScope, listId: string, print: PrintVersions): Promise<GameDraft[]> {
  const seeds = Array.from({ length: print.versions }, (_, index) => versionSeed(print.seed, index + 1))
  return draftGames(scope, listId, print.kind, print.options, seeds)
}

/** Keeps made puzzles as what is printed now; returns the print's id. The same puzzles are the same print. */
export async function keepPrint(
  scope: TeacherScope,
  drafts: readonly GameDraft[],
  puzzles: readonly unknown[],
): Promise<string> {
  const versionIds: string[] = []
  for (const [index, draft] of drafts.entries()) versionIds.push(await keepVersion(scope, draft, puzzles[index]))
  const { listId, kind, seed } = drafts[0]!
  const [print] = await scope.query<{ id: string }>(
    `INSERT INTO prints (id, list_id, kind, seed, rules, key) VALUES ($id, $listId, $kind, $seed, $rules, $key)
     ON CONFLICT (list_id, key) DO UPDATE SET printed_at = now() RETURNING id`,
    { id: randomUUID(), listId, kind, seed, rules: gameOf(kind).version, key: fingerprintOf(versionIds) },
  )
  await scope.query(
    `INSERT INTO print_versions (print_id, number, game_version_id)
     SELECT $id, number, version_id FROM unnest($versionIds::uuid[]) WITH ORDINALITY AS v (version_id, number)
     ON CONFLICT DO NOTHING`,
    { id: print!.id, versionIds },
  )
  return print!.id
}

/** Returns what was printed of a list's game, the latest first. Throws a Problem where the list is another's. */
export async function readPrints(scope: TeacherScope, listId: string, kind: GameKind): Promise<PrintReply[]> {
  await readVersion(scope, listId)
  return scope.query<PrintReply>(
    `${PRINTS} WHERE p.list_id = $listId AND p.kind = $kind ORDER BY p.printed_at DESC LIMIT ${SHOWN}`,
    { teacherId: scope.teacherId, listId, kind },
  )
}

/** Throws a Problem where a print is another's. */
export async function holdPrint(scope: TeacherScope, printId: string): Promise<void> {
  const [print] = await scope.query(`${PRINTS} WHERE p.id = $printId`, { teacherId: scope.teacherId, printId })
  if (!print) throw notFound()
}

/** Returns what was printed, with its puzzles as they were. Throws a Problem where it is another's. */
export async function readPrinted(scope: TeacherScope, printId: string): Promise<PrintedReply> {
  const [print] = await scope.query<PrintReply & { kind: GameKind }>(`${PRINTS} WHERE p.id = $printId`, {
    teacherId: scope.teacherId,
    printId,
  })
  if (!print) throw notFound()
  const versions = await scope.query<{
    listId: string
    title: string
    options: unknown
    rules: number
    puzzle: unknown
  }>(
    `SELECT p.list_id AS "listId", v.title, v.options, v.rules, v.puzzle FROM prints p
      JOIN print_versions n ON n.print_id = p.id JOIN game_versions v ON v.id = n.game_version_id
      WHERE p.id = $printId ORDER BY n.number`,
    { printId },
  )
  const { listId, title, options } = versions[0]!
  return {
    ...print,
    listId,
    title,
    early: Asking.loose().parse(options).early,
    puzzles: versions.map(({ puzzle, rules }) => upgradedPuzzle(gameOf(print.kind), puzzle, rules)),
  }
}

/** Deletes what was printed long ago; its puzzles go with the next link that is deleted, unless a link has them. */
export async function dropOldPrints(scope: Scope): Promise<void> {
  await scope.query(`DELETE FROM prints WHERE printed_at < now() - interval '${KEPT}'`)
}
