import { networkInterfaces } from 'node:os'
import type { HostQuestion, HostState, HostStudent, LiveFacts, LiveTeam, WallNow, WallState } from '@otter/api'
import {
  gameOf,
  PLAIN_CONTEXT,
  randomFrom,
  sharedOf,
  tallies,
  timeLeft,
  wayOf,
  type Audience,
  type FirstGiven,
} from '@otter/core'
import { firstAnswers, hostStudents, type HostRow } from '../db/queries/live.ts'
import type { Reader, TeacherScope } from '../db/scope.ts'
import { rankingNow, roundOf } from './liveViews.ts'
import { readSession, type LiveNow } from './liveSessions.ts'
import { readOffer } from './offers.ts'
import { readStandings } from './standings.ts'

/** Most names that the wall shows. */
const MOST_NAMES = 120

/** Where students find this server: what they type, and the address that leads on to a code. */
export interface Door {
  door: string
  addressOf: (code: string) => string
}

/**
 * Returns where students find this server: as it is set, or as its teacher came, unless that is a name which means
 * another machine on theirs: then by this machine's address in its network.
 */
export function doorOf(publicUrl: string | undefined, origin: string): Door {
  const url = new URL(publicUrl ?? origin)
  if (publicUrl === undefined && isLoopback(url.hostname)) url.hostname = networkAddress() ?? url.hostname
  const base = `${url.protocol}//${url.host}${url.pathname.replace(/\/+$/u, '')}`
  return { door: `${base.replace(/^https?:\/\//u, '')}/in`, addressOf: (code) => `${base}/p/${code}` }
}

function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '[::1]' || host.startsWith('127.')
}

/** Returns this machine's first address in a network of its own; undefined where it is in none. */
function networkAddress(): string | undefined {
  return Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .find(({ family, internal }) => family === 'IPv4' && !internal)?.address
}

/** Returns how a session stands, as far as an audience may know it. */
export async function readFacts(scope: Reader, now: LiveNow, audience: Audience): Promise<LiveFacts> {
  const { offer, made, rules, session } = now
  return {
    revision: offer.live!.revision,
    phase: session.phase,
    locked: session.locked,
    left: timeLeft(session, rules.way, offer.now),
    end: session.end,
    startedAt: session.startedAt,
    endedBy: session.endedBy,
    pausedBy: session.pausedBy,
    round: await roundOf(scope, offer, made, session),
    view: stepView(now, audience),
    now: offer.now,
  }
}

/** Returns what all are asked, or choose from, as it is shown to who does not play; null where each goes on alone. */
function stepView({ offer, made: { game, puzzle }, rules, session }: LiveNow, audience: Audience): unknown {
  const shared = sharedOf(session, rules, offer.calls)
  const isShown = shared.standing !== null || rules.way === 'board'
  if (!game.inStep || !isShown || session.phase === 'lobby' || session.phase === 'over') return null
  const context = { ...PLAIN_CONTEXT, rules: offer.rules.play, shared }
  const play = game.start(puzzle, { ...context, random: randomFrom('wall'), now: offer.now })
  const followed = game.inStep.follow(puzzle, play, { ...context, clock: 0, now: offer.now })
  return game.view(puzzle, followed.play, { ...context, audience })
}

function frameOf(
  { offer, made, rules }: LiveNow,
  { id, listId, title, name, kind, code }: Pick<HostState, 'id' | 'listId' | 'title' | 'name' | 'kind' | 'code'>,
  { door, addressOf }: Door,
): Omit<WallState, keyof WallNow> {
  return {
    id,
    listId,
    title,
    name,
    kind,
    code,
    language: made.language,
    early: made.early,
    door,
    address: addressOf(offer.code),
    way: rules.way,
    inStep: wayOf(rules.way).inStep,
  }
}

/** Returns a session as its teacher sees it. Throws a Problem where it is another's. */
export async function readHost(scope: TeacherScope, offerId: string, door: Door): Promise<HostState> {
  const now = await readSession(scope, offerId)
  const offer = await readOffer(scope, offerId)
  const asked = await askedIn(scope, offerId)
  return {
    ...frameOf(now, offer, door),
    facts: await readFacts(scope, now, 'teacher'),
    rules: now.rules,
    led: gameOf(offer.kind).isLed?.(offer.options as never) ?? false,
    teams: await teamsIn(scope, offerId),
    students: (await hostStudents(scope, { offerId })).map(withoutOffer),
    questions: questionsOf(asked, await firstAnswers(scope, { offerId })),
  }
}

/** Returns a student as hosts are told. */
export function withoutOffer({ offerId: _, ...student }: HostRow): HostStudent {
  return student
}

/** Returns the teams of a session, in their order. */
export async function teamsIn(scope: Reader, offerId: string): Promise<LiveTeam[]> {
  return scope.query('SELECT id AS "teamId", name FROM teams WHERE offer_id = $offerId ORDER BY position', { offerId })
}

/** A question or word that a session's games ask. */
export type Asked = Pick<HostQuestion, 'entryId' | 'text' | 'counts'>

/** Returns what a session's games ask, each entry once, in their order. */
export async function askedIn(scope: Reader, offerId: string): Promise<Asked[]> {
  return scope.query<Asked>(
    `SELECT a.entry_id AS "entryId", a.text, a.counts FROM (
       SELECT DISTINCT ON (q.entry_id) q.entry_id, q.text, q.counts, m.position, q.place
       FROM offer_games m JOIN question_sets s ON s.game_version_id = m.game_version_id JOIN questions q
         ON q.set_id = s.id WHERE m.offer_id = $offerId ORDER BY q.entry_id, m.position, q.place) a
     ORDER BY a.position, a.place`,
    { offerId },
  )
}

/** Returns how the class stands with each question. */
export function questionsOf(asked: readonly Asked[], answers: Iterable<FirstGiven>): HostQuestion[] {
  const counted = tallies(answers)
  return asked.map((question) => ({
    ...question,
    ...(counted.get(question.entryId) ?? { right: 0, wrong: 0, passed: 0, given: [] }),
  }))
}

/** Returns a session as the class sees it on the wall. Throws a Problem where it is another teacher's. */
export async function readWall(scope: TeacherScope, offerId: string, door: Door): Promise<WallState> {
  const now = await readSession(scope, offerId)
  return { ...frameOf(now, await readOffer(scope, offerId), door), ...(await readWallNow(scope, now)) }
}

/** Returns what changes of a session on the wall. */
export async function readWallNow(scope: Reader, now: LiveNow): Promise<WallNow> {
  const { rules, session, offer, made } = now
  const offerId = offer.id
  const standings = await readStandings(scope, offerId, rules)
  const students = standings.rows.map(({ row }) => row)
  const teamNames = new Map(standings.teams.map(({ teamId, name }) => [teamId, name]))
  const { standing } = sharedOf(session, rules, offer.calls)
  const entryId = standing && made.game.inStep?.questions(made.puzzle)[standing.place]?.entryId
  const counts = session.phase === 'over' ? students.filter(({ begun }) => begun) : []
  return {
    facts: await readFacts(scope, now, 'wall'),
    here: students.length,
    names: [...students]
      .sort((one, other) => one.seat - other.seat)
      .slice(0, MOST_NAMES)
      .map(({ name, look, teamId }) => ({
        name,
        look,
        team: teamId === null ? null : (teamNames.get(teamId) ?? null),
      })),
    answered: entryId ? await answeredIn(scope, offerId, entryId) : 0,
    // What others can still answer is counted for nobody: so all is counted at the end.
    found: {
      right: counts.reduce((sum, { right }) => sum + right, 0),
      total: counts.reduce((sum, { total }) => sum + total, 0),
    },
    ranking: rankingNow(session, rules, standings),
    chooser: await chooserOf(scope, now),
  }
}

/** Returns the team that names the next question of a board, one after the other; null where nobody does. */
async function chooserOf(scope: Reader, { rules, session, offer }: LiveNow): Promise<string | null> {
  const { standing, asked = [] } = sharedOf(session, rules, offer.calls)
  if (rules.way !== 'board' || standing) return null
  const teams = await teamsIn(scope, offer.id)
  return teams.length === 0 ? null : teams[asked.length % teams.length]!.name
}

/** Returns how many have answered a question, in their first plays. */
async function answeredIn(scope: Reader, offerId: string, entryId: string): Promise<number> {
  const [row] = await scope.query<{ count: number }>(
    `SELECT count(*)::int AS count FROM plays y JOIN responses r ON r.play_id = y.id AND r.entry_id = $entryId
      AND r.round = 'first' WHERE y.offer_id = $offerId AND r.outcome <> 'passed' AND y.given_back_at IS NULL`,
    { offerId, entryId },
  )
  return row!.count
}
