import type { Ranking, Split } from '@otter/api'
import { ranked, scoreOf, teamScores, type LiveRules, type Ranked, type RankBy } from '@otter/core'
import { LRUCache } from 'lru-cache'
import { scoreRows, splitOf, type ScoreRow } from '../db/queries/live.ts'
import type { Reader } from '../db/scope.ts'

/** How long a ranking is told as it was read: a class that looks at once reads it once. In milliseconds. */
const FRESH = 1500
/** Most lines of a ranking that any screen gets. */
const MOST_SHOWN = 30

/** A session's whole ranking, as it stands. */
export interface Standings {
  by: RankBy
  rows: Ranked<ScoreRow>[]
  placeOf: ReadonlyMap<string, Ranked<ScoreRow>>
  teams: { teamId: string; name: string; place: number; score: number; members: string[] }[]
}

const read = new LRUCache<string, Promise<Standings>>({ max: 500, ttl: FRESH })
const splits = new LRUCache<string, Promise<Split>>({ max: 500, ttl: 60_000 })

/** Returns what a session's ranking goes by. */
function rankBy(rules: LiveRules): RankBy {
  return rules.way === 'ownpace' && (rules.wayOptions as { rankBy?: RankBy }).rankBy === 'share' ? 'share' : 'points'
}

/**
 * Returns the ranking of a session.
 *
 * @param revision of the session; a newer one is read anew
 */
export function standingsOf(scope: Reader, offerId: string, rules: LiveRules, revision: number): Promise<Standings> {
  return kept(read, `${offerId} ${revision}`, () => readStandings(scope, offerId, rules))
}

/** Has the ranking of a session read anew, where something in it has changed beside the answers. */
export function forgetStandings(offerId: string, revision: number): void {
  read.delete(`${offerId} ${revision}`)
}

/** Returns the ranking of a session as it is this moment. */
export async function readStandings(scope: Reader, offerId: string, rules: LiveRules): Promise<Standings> {
  const by = rankBy(rules)
  const students = await scoreRows(scope, offerId)
  const rows = ranked(students, (student) => scoreOf(student, by))
  const teams =
    rules.teams.by === 'none'
      ? []
      : await scope.query<{ teamId: string; name: string }>(
          'SELECT id AS "teamId", name FROM teams WHERE offer_id = $offerId ORDER BY position',
          { offerId },
        )
  // Of a team that is asked as one, whoever is here counts, also who never answers.
  const members =
    rules.way === 'board' ? students.map((one) => ({ ...one, begun: one.begun || one.connected })) : students
  const scores = teamScores(
    teams.map(({ teamId }) => teamId),
    members,
    by,
  )
  return {
    by,
    rows,
    placeOf: new Map(rows.map((row) => [row.row.participantId, row])),
    teams: ranked(scores, ({ score }) => score).map(({ row, place, score }) => ({
      teamId: row.teamId,
      name: teams.find(({ teamId }) => teamId === row.teamId)!.name,
      place,
      score,
      members: students.filter(({ teamId }) => teamId === row.teamId).map(({ name }) => name),
    })),
  }
}

/** Returns how a closed question was answered, in a session of a revision. */
export function readSplit(scope: Reader, offerId: string, revision: number, entryId: string): Promise<Split> {
  return kept(splits, `${offerId} ${revision} ${entryId}`, () => splitOf(scope, offerId, entryId))
}

/** Reads once for all who ask at the same time; what failed is read again. */
function kept<Value>(
  cache: LRUCache<string, Promise<Value>>,
  key: string,
  reading: () => Promise<Value>,
): Promise<Value> {
  const known = cache.get(key)
  if (known) return known
  const value = reading()
  cache.set(key, value)
  value.catch(() => cache.delete(key))
  return value
}

/** Returns as much of a ranking as those may see who are no teacher; null where they see none. */
export function shownRanking({ by, rows, teams }: Standings, ranking: LiveRules['ranking']): Ranking | null {
  if (ranking === 'teacher' || ranking === 'nobody') return null
  const first = rows.slice(0, ranking === 'first-five' ? 5 : MOST_SHOWN)
  return {
    by,
    of: rows.length,
    rows: first
      .filter(({ row }) => row.begun)
      .map(({ row: { name, look, right, total }, place, score }) => ({ place, name, look, score, right, total })),
    teams: teams.map(({ members, ...team }) => ({ ...team, members: members.length })),
  }
}
