import type { LiveRank, LiveRound, LiveView, Ranking } from '@otter/api'
import { sharedOf, timeLeft, wayOf, type LiveRules, type Session } from '@otter/core'
import type { Reader } from '../db/scope.ts'
import type { OpenOffer, Person } from './doors.ts'
import type { MadeGame } from './puzzleCache.ts'
import { readSplit, shownRanking, standingsOf, type Standings } from './standings.ts'
import { liveRulesOf } from './storedSession.ts'
import { sessionAt } from './storedPlays.ts'

/** Returns a live session as the screens of students may know it, in their order; nulls where each plays alone. */
export async function liveViews(
  scope: Reader,
  offer: OpenOffer,
  made: MadeGame,
  players: readonly { person: Person | undefined }[],
): Promise<(LiveView | null)[]> {
  const rules = liveRulesOf(offer.rules)
  const session = sessionAt(offer, made, offer.now)
  if (!rules || !session || !offer.live) return players.map(() => null)
  const { revision } = offer.live
  const ids = players.flatMap(({ person }) => (person ? [person.id] : []))
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
    ranking: standings && rankingNow(session, rules, standings),
    rounds: offersRounds(offer, rules),
  }
  return players.map(({ person }) => ({
    ...shared,
    me: person ? selfOf(person, standings, teams) : null,
  }))
}

/** Whether who is done early may play another round: not where a teacher calls, for all who play the same. */
export function offersRounds({ calls }: OpenOffer, { way, wayOptions }: LiveRules): boolean {
  return way === 'ownpace' && (wayOptions as { rounds: boolean }).rounds && calls === null
}

/** Tells whether scores may be told now: not while a question stands that others can still answer. */
export function showsScores(session: Session, rules: LiveRules): boolean {
  if (session.phase === 'lobby') return false
  return !sharedOf(session, rules, null).standing?.open
}

/** Where all are asked the same, the ranking is for the end, unless the teacher chose otherwise. */
function mayRank(session: Session, rules: LiveRules): boolean {
  if (!showsScores(session, rules)) return false
  const { rankingBetween } = rules.wayOptions as { rankingBetween?: boolean }
  return session.phase === 'over' || rules.way === 'board' || !wayOf(rules.way).inStep || rankingBetween === true
}

/** Returns as much of a ranking as may be seen now; null for none. While a board is played, only teams have a place. */
export function rankingNow(session: Session, rules: LiveRules, standings: Standings): Ranking | null {
  const ranking = mayRank(session, rules) ? shownRanking(standings, rules.ranking) : null
  return ranking && rules.way === 'board' && session.phase !== 'over' ? { ...ranking, rows: [] } : ranking
}

function selfOf(
  { id, look, note, heldName, returnCode, teamId }: Person,
  standings: Standings | null,
  teams: Standings | null,
): NonNullable<LiveView['me']> {
  const team = teams?.teams.find((one) => one.teamId === teamId)
  return {
    participantId: id,
    look,
    note,
    heldName,
    returnCode: returnCode ?? '',
    team: team ? { name: team.name, members: team.members } : null,
    rank: standings && rankIn(standings, id),
  }
}

/** Returns where a student stands; null where there is none such. */
export function rankIn({ placeOf, rows }: Standings, personId: string): LiveRank | null {
  const rank = placeOf.get(personId)
  return rank ? { place: rank.place, score: rank.score, effort: rank.row.effort, of: rows.length } : null
}

async function freeNames(scope: Reader, offerId: string): Promise<string[]> {
  const rows = await scope.query<{ name: string }>(
    `SELECT n.name FROM live_sessions s, jsonb_array_elements_text(s.roster) WITH ORDINALITY AS n(name, place)
      WHERE s.offer_id = $offerId AND NOT EXISTS (SELECT 1 FROM participants p WHERE p.offer_id = $offerId
        AND p.removed_at IS NULL AND lower(p.name) = lower(n.name)) ORDER BY n.place`,
    { offerId },
  )
  return rows.map(({ name }) => name)
}

async function teamsOf(scope: Reader, offerId: string): Promise<LiveView['teams']> {
  return scope.query('SELECT id AS "teamId", name FROM teams WHERE offer_id = $offerId ORDER BY position', { offerId })
}

/** Returns what all are asked now, with the split once it is closed; null where each goes on alone. */
export async function roundOf(
  scope: Reader,
  offer: OpenOffer,
  made: MadeGame,
  session: Session,
): Promise<LiveRound | null> {
  const { standing, asked = [] } = sharedOf(session, liveRulesOf(offer.rules)!, offer.calls)
  const steps = made.game.inStep?.questions(made.puzzle) ?? []
  const step = standing && steps[standing.place]
  if (!standing || !step || session.phase === 'over') return null
  const told = !standing.open
  return {
    entryId: step.entryId,
    number: asked.length,
    of: steps.length,
    phase: told ? 'told' : 'asking',
    split: told ? await readSplit(scope, offer.id, offer.live!.revision, step.entryId) : null,
  }
}
