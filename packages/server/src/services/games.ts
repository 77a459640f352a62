import { createHash, randomUUID } from 'node:crypto'
import { Seed } from '@otter/api'
import { gameOf, type Asking, type EntryList, type GameKind } from '@otter/core'
import type { TeacherScope } from '../db/scope.ts'
import { readEntryList } from './lists.ts'
import { readProved } from './proved.ts'

/** A list about to become a version of a game. */
export interface GameDraft {
  listId: string
  kind: GameKind
  list: EntryList
  listVersion: number
  options: Asking
  seed: string
  /** Equal for drafts that are the same game: the same list's words may differ. */
  key: string
  /** Equal for drafts that make the same puzzle. */
  fingerprint: string
}

/** Reads a list for a game. Throws a Problem where it is another's, a ZodError where the options are not the game's. */
export async function draftGame(
  scope: TeacherScope,
  listId: string,
  kind: GameKind,
  given: unknown,
  seed: string,
): Promise<GameDraft> {
  return (await draftGames(scope, listId, kind, given, [seed]))[0]!
}

/** Reads a list for a game once for each seed. Throws as `draftGame` does. */
export async function draftGames(
  scope: TeacherScope,
  listId: string,
  kind: GameKind,
  given: unknown,
  seeds: readonly string[],
): Promise<GameDraft[]> {
  const { list: read, version: listVersion } = await readEntryList(scope, listId)
  const game = gameOf(kind)
  const options = game.options.parse(given ?? {})
  const list = game.usesProved?.(options) ? { ...read, proved: await readProved(scope, listId) } : read
  return seeds.map((seed) => ({
    listId,
    kind,
    list,
    listVersion,
    options,
    seed: Seed.parse(seed),
    key: fingerprintOf([listId, kind, options, seed]),
    fingerprint: fingerprintOf([list, kind, options, seed, game.version]),
  }))
}

/** Returns a short text that is equal for equal values. */
export function fingerprintOf(value: unknown): string {
  return createHash('sha256').update(JSON.stringify(value)).digest('base64')
}

/** Returns the version of a game that a draft would make, where it is made already. */
export async function findVersion(scope: TeacherScope, { key, fingerprint }: GameDraft): Promise<string | undefined> {
  const [known] = await scope.query<{ id: string }>(
    `SELECT v.id FROM games g JOIN game_versions v ON v.game_id = g.id WHERE g.teacher_id = $teacherId
      AND g.key = $key AND v.fingerprint = $fingerprint`,
    { teacherId: scope.teacherId, key, fingerprint },
  )
  return known?.id
}

/** Keeps a version from being deleted until the scope ends; returns whether it is still there. */
export async function holdVersion(scope: TeacherScope, versionId: string): Promise<boolean> {
  const [version] = await scope.query('SELECT id FROM game_versions WHERE id = $versionId FOR KEY SHARE', { versionId })
  return version !== undefined
}

/**
 * Keeps a made puzzle as a version of its game; returns the version's id. The lock on the game puts requests that make
 * the same at the same time one after the other, so that there is one version of it.
 */
export async function keepVersion(scope: TeacherScope, draft: GameDraft, puzzle: unknown): Promise<string> {
  const { listId, kind, list, listVersion, options, seed, key, fingerprint } = draft
  const [game] = await scope.query<{ id: string }>(
    `INSERT INTO games (id, teacher_id, list_id, kind, key) VALUES ($id, $teacherId, $listId, $kind, $key)
     ON CONFLICT (teacher_id, key) DO UPDATE SET list_id = excluded.list_id RETURNING id`,
    { id: randomUUID(), teacherId: scope.teacherId, listId, kind, key },
  )
  const known = await findVersion(scope, draft)
  if (known !== undefined) return known
  const id = randomUUID()
  await scope.query(
    `INSERT INTO game_versions (id, game_id, number, title, language, options, seed, fingerprint, puzzle,
      list_version, rules)
     SELECT $id, $gameId, coalesce(max(number), 0) + 1, $title, $language, $options::jsonb, $seed, $fingerprint,
       $puzzle::jsonb, $listVersion, $rules FROM game_versions WHERE game_id = $gameId`,
    {
      id,
      gameId: game!.id,
      title: list.title,
      language: options.ask === 'answer' ? list.answerLanguage : list.promptLanguage,
      options: JSON.stringify(options),
      seed,
      fingerprint,
      puzzle: JSON.stringify(puzzle),
      listVersion,
      rules: gameOf(kind).version,
    },
  )
  return id
}
