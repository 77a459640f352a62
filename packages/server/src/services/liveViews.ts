import type { LiveRound, LiveView } from '@otter/api'
import { sharedOf, timeLeft, wayOf, type LiveRules, type Session } from '@otter/core'
import type { Look } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import type { OpenOffer, Person } from './doors.ts'
import type { MadeGame } from './puzzleCache.ts'
import { readSplit, shownRanking, standingsOf, type Standings } from './standings.ts'
import { liveRulesOf } from './storedSession.ts'
import { sessionAt } from './storedPlays.ts'

interface SelfRow {
  participantId: string
  look: Look | null
  note: string
  heldName: string | null
  returnCode: string
  teamId: string | null
}

/** Returns a live session as the screens of students may know it, in their order; nulls where each plays alone. */
export async function liveViews(
  scope: Scope,
  offer: OpenOffer,
  made: MadeGame,
  players: readonly { person: Person | undefined }[],
): Promise<(LiveView | null)[]> {
  const rules = liveRulesOf(offer.rules)
  const session = sessionAt(offer, made, offer.now)
  if (!rules || !session || !offer.live) return players.map(() => null)
  const { revision } = offer.live
  const ids = players.flatMap(({ person }) => (person ? [person.id] : []))
  const selves = ids.length > 0 ? await readSelves(scope, ids) : new Map<string, SelfRow>()
  const standings =
    showsScores(session, rules) && ids.length > 0 ? await standingsOf(scope, offer.id, rules, revision) : null
  const teams = rules.teams.by === 'none' ? null : (standings ?? (await standingsOf(scope, offer.id, rules, revision)))
  const shared = {
    offerId: offer.id,
    revision,
    way: rules.way,
    inStep: wayOf(rules.way).inStep,
    phase: session.phase,
    locked: session.locked,
    left: timeLeft(session, rules.way, offer.now),
    names: rules.names,
    roster: ids.length === 0 && rules.names === 'list' ? await freeNames(scope, offer.id) : [],
    teams: rules.teams.by === 'chosen' ? await teamsOf(scope, offer.id) : [],
    round: await roundOf(scope, offer, made, session),
    ranking: standings && mayRank(session, rules) ? shownRanking(standings, rules.ranking) : null,
    rounds: rules.way === 'ownpace' && (rules.wayOptions as { rounds: boolean }).rounds,
  }
  return players.map(({ person }) => ({
    ...shared,
    me: person && selves.has(person.id) ? selfOf(selves.get(person.id)!, standings, teams) : null,
  }))
}

/** Tells whether scores may be told now: not while a question stands that others can still answer. */
function showsScores(session: Session, rules: LiveRules): boolean {
  if (session.phase === 'lobby') return false
  return !sharedOf(session, rules, null).standing?.open
}

/** Where all are asked the same, the ranking is for the end, unless the teacher chose otherwise. */
export function mayRank(session: Session, rules: LiveRules): boolean {
  if (!showsScores(session, rules)) return false
  const { rankingBetween } = rules.wayOptions as { rankingBetween?: boolean }
  return session.phase === 'over' || !wayOf(rules.way).inStep || rankingBetween === true
}

function selfOf(
  { teamId, ...self }: SelfRow,
  standings: Standings | null,
  teams: Standings | null,
): NonNullable<LiveView['me']> {
  const rank = standings?.placeOf.get(self.participantId)
  const team = teams?.teams.find((one) => one.teamId === teamId)
  return {
    ...self,
    team: team ? { name: team.name, members: team.members } : null,
    rank: rank ? { place: rank.place, score: rank.score, effort: rank.row.effort, of: standings!.rows.length } : null,
  }
}

async function readSelves(scope: Scope, ids: readonly string[]): Promise<Map<string, SelfRow>> {
  const rows = await scope.query<SelfRow>(
    `SELECT id AS "participantId", look, note, held_name AS "heldName", coalesce(return_code, '') AS "returnCode",
      team_id AS "teamId" FROM participants WHERE id = ANY ($ids::uuid[])`,
    { ids },
  )
  return new Map(rows.map((row) => [row.participantId, row]))
}

async function freeNames(scope: Scope, offerId: string): Promise<string[]> {
  const rows = await scope.query<{ name: string }>(
    `SELECT n.name FROM live_sessions s, jsonb_array_elements_text(s.roster) WITH ORDINALITY AS n(name, place)
      WHERE s.offer_id = $offerId AND NOT EXISTS (SELECT 1 FROM participants p WHERE p.offer_id = $offerId
        AND p.removed_at IS NULL AND lower(p.name) = lower(n.name)) ORDER BY n.place`,
    { offerId },
  )
  return rows.map(({ name }) => name)
}

async function teamsOf(scope: Scope, offerId: string): Promise<LiveView['teams']> {
  return scope.query('SELECT id AS "teamId", name FROM teams WHERE offer_id = $offerId ORDER BY position', { offerId })
}

/** Returns what all are asked now, with the split once it is closed; null where each goes on alone. */
export async function roundOf(
  scope: Scope,
  offer: OpenOffer,
  made: MadeGame,
  session: Session,
): Promise<LiveRound | null> {
  const { standing } = sharedOf(session, liveRulesOf(offer.rules)!, offer.calls)
  const steps = made.game.inStep?.questions(made.puzzle) ?? []
  const step = standing && steps[standing.place]
  if (!standing || !step || session.phase === 'over') return null
  const told = !standing.open
  return {
    number: standing.place + 1,
    of: steps.length,
    phase: told ? 'told' : 'asking',
    split: told ? await readSplit(scope, offer.id, offer.live!.revision, step.entryId) : null,
  }
}
