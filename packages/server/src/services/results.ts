import type { EntryResult, PlayerResult, ResultsReply } from '@otter/api'
import { gameOf } from '@otter/core'
import Papa from 'papaparse'
import { QueryTypes } from 'sequelize'
import type { Database } from '../db/database.ts'
import { readLink } from './links.ts'

interface PlayFacts {
  playerId: string
  name: string
  gameVersionId: string
  attempt: number
  state: unknown
  lastSeenAt: string
}

/** Gives what the students of one of a teacher's links did: by student, the last seen first, and by word. */
export async function readResults(database: Database, teacherId: string, linkId: string): Promise<ResultsReply> {
  const link = await readLink(database, teacherId, linkId)
  const game = gameOf(link.kind)
  const versions = await database.sequelize.query<{ id: string; puzzle: unknown; title: string }>(
    'SELECT v.id, v.puzzle, v.title FROM game_versions v JOIN links k ON k.game_id = v.game_id WHERE k.id = :linkId ORDER BY v.number',
    { type: QueryTypes.SELECT, replacements: { linkId } },
  )
  const plays = await database.sequelize.query<PlayFacts>(
    `SELECT p.id AS "playerId", p.name, y.game_version_id AS "gameVersionId", y.attempt, y.state, y.last_seen_at AS "lastSeenAt"
     FROM players p JOIN plays y ON y.player_id = p.id WHERE p.link_id = :linkId ORDER BY p.name, p.id, y.attempt`,
    { type: QueryTypes.SELECT, replacements: { linkId } },
  )
  const found = await database.sequelize.query<{ entryId: string; foundBy: number }>(
    `SELECT r.entry_id AS "entryId", count(DISTINCT p.id)::int AS "foundBy"
     FROM players p JOIN plays y ON y.player_id = p.id JOIN responses r ON r.play_id = y.id
     WHERE p.link_id = :linkId AND r.outcome = 'right' GROUP BY r.entry_id`,
    { type: QueryTypes.SELECT, replacements: { linkId } },
  )
  const wrong = await database.sequelize.query<{ entryId: string; given: string; count: number }>(
    `SELECT entry_id AS "entryId", given, count FROM (
       SELECT r.entry_id, r.given, count(DISTINCT p.id)::int AS count, row_number() OVER (PARTITION BY r.entry_id ORDER BY count(DISTINCT p.id) DESC, r.given) AS place
       FROM players p JOIN plays y ON y.player_id = p.id JOIN responses r ON r.play_id = y.id
       WHERE p.link_id = :linkId AND r.outcome = 'wrong' AND r.given <> '' GROUP BY r.entry_id, r.given) ranked
     WHERE place <= 3 ORDER BY entry_id, place`,
    { type: QueryTypes.SELECT, replacements: { linkId } },
  )
  const puzzles = new Map(versions.map(({ id, puzzle }) => [id, puzzle]))
  const foundBy = new Map(found.map((row) => [row.entryId, row.foundBy]))
  const asked = new Map(versions.flatMap(({ puzzle }) => game.asked(puzzle)).map(({ entryId, text }) => [entryId, text]))
  const entries: EntryResult[] = [...asked].map(([entryId, text]) => ({ entryId, text, foundBy: foundBy.get(entryId) ?? 0, wrong: wrong.filter((own) => own.entryId === entryId).map(({ given, count }) => ({ given, count })) }))
  const byPlayer = new Map<string, PlayFacts[]>()
  for (const play of plays) byPlayer.set(play.playerId, [...byPlayer.get(play.playerId) ?? [], play])
  const players = [...byPlayer.values()].map((own): PlayerResult => {
    const scores = own.map(({ gameVersionId, state }) => game.score(puzzles.get(gameVersionId), state))
    const best = scores.reduce((one, other) => (other.right > one.right ? other : one))
    return {
      playerId: own[0].playerId, name: own[0].name, found: best.right, firstFound: scores[0].right, total: best.total, hints: best.hints,
      milliseconds: best.milliseconds, attempts: own.length, finished: best.finished,
      lastSeenAt: own.map(({ lastSeenAt }) => new Date(lastSeenAt).toISOString()).sort().at(-1) ?? '',
    }
  })
  return { link, title: versions.at(-1)?.title ?? '', players, entries }
}

/** Writes results as CSV (RFC 4180, UTF-8 with a byte order mark); cells that a spreadsheet would run are made harmless. */
export function resultsCsv({ players }: ResultsReply): string {
  const rows = players.map(({ name, found, firstFound, total, hints, milliseconds, attempts, finished, lastSeenAt }) => ({
    Student: name, 'Found (best)': found, 'Found (first attempt)': firstFound, Words: total, Hints: hints, Seconds: Math.round(milliseconds / 1000),
    Attempts: attempts, Finished: finished ? 'yes' : 'no', 'Last seen': lastSeenAt,
  }))
  const columns = ['Student', 'Found (best)', 'Found (first attempt)', 'Words', 'Hints', 'Seconds', 'Attempts', 'Finished', 'Last seen']
  return `\ufeff${Papa.unparse(rows, { columns, escapeFormulae: true, newline: '\r\n' })}\r\n`
}
