import { randomUUID } from 'node:crypto'
import type { ActAtWall, ChangeWallPlay, CreateWallPlay, WallPlayReply } from '@otter/api'
import { clockAt, lastOfEach, type Audience, type Response } from '@otter/core'
import type { z } from 'zod'
import { recorded, redoable, redone, replayed, undoable, undone, type RecordedMove } from '@otter/core/wall/history'
import type { TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { findDoor, personOf, PERSON, type OpenOffer, type PersonRow } from './doors.ts'
import { createOffer, type Making } from './offers.ts'
import { startPlay } from './startPlay.ts'
import { beginningOf, clockOf, findPlay, type OpenPlay } from './storedPlays.ts'
import { keepActs, readRecord, type StoredMove, type WallTeamRow } from './wallRecord.ts'

/** Most that is done in one play: to undo, all before is played once more. */
const MOST_ACTS = 1500

/**
 * Opens a list as a game for teams at one wall; returns the offer's id. A request that comes twice opens one. Throws a
 * Problem where the list can't become the game, or no teams can play it.
 */
export async function createWallPlay(
  making: Making,
  teacherId: string,
  listId: string,
  { teams, rules, ...wanted }: z.output<typeof CreateWallPlay>,
  signal?: AbortSignal,
): Promise<string> {
  const offer = await createOffer(
    making,
    teacherId,
    listId,
    wanted,
    {
      rules: { type: 'wall', play: rules, teams: teams.length },
      opened: async (scope, offerId) => {
        await scope.query('SELECT 1 FROM offers WHERE id = $offerId FOR NO KEY UPDATE', { offerId })
        // The same request may have come before.
        const [known] = await scope.query('SELECT 1 FROM participants WHERE offer_id = $offerId AND is_board', {
          offerId,
        })
        if (!known) await openWall(scope, offerId, teams)
      },
    },
    signal,
  )
  return offer.id
}

async function openWall(
  scope: TeacherScope,
  offerId: string,
  teams: z.output<typeof CreateWallPlay>['teams'],
): Promise<void> {
  await scope.query(
    `WITH made AS (
       SELECT (t ->> 'teamId')::uuid AS team_id, (t ->> 'participantId')::uuid AS participant_id, t ->> 'name' AS name,
         t ->> 'emblem' AS emblem, t -> 'members' AS members, n FROM jsonb_array_elements($teams::jsonb)
         WITH ORDINALITY AS a(t, n)),
     teamed AS (INSERT INTO teams (id, offer_id, position, name, emblem, members)
       SELECT team_id, $offerId, n - 1, name, emblem, members FROM made RETURNING id)
     INSERT INTO participants (id, offer_id, seat, name, team_id, is_board)
       SELECT participant_id, $offerId::uuid, n + 1, name, team_id, false FROM made
       UNION ALL SELECT $boardId::uuid, $offerId::uuid, 1, '', NULL, true`,
    {
      offerId,
      boardId: randomUUID(),
      teams: JSON.stringify(teams.map((team) => ({ ...team, teamId: randomUUID(), participantId: randomUUID() }))),
    },
  )
  await scope.query('UPDATE offers SET seats = $seats WHERE id = $offerId', { offerId, seats: teams.length + 1 })
  const { offer, person } = await readBoard(scope, offerId)
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (!made.game.teams) throw new Problem(400, 'no-team-game', { path: 'kind' })
  await startPlay(scope, offer, person, undefined)
}

/** Reads an offer for teams at the wall, and the class as one. Throws a Problem where it is none of this teacher. */
async function readBoard(
  scope: TeacherScope,
  offerId: string,
): Promise<{ offer: OpenOffer; person: ReturnType<typeof personOf> }> {
  const [row] = await scope.query<PersonRow>(
    `SELECT ${PERSON} FROM offers o JOIN participants p ON p.offer_id = o.id AND p.is_board
       JOIN participants q ON q.id = p.id WHERE o.id = $offerId AND o.teacher_id = $teacherId`,
    { offerId, teacherId: scope.teacherId },
  )
  if (!row) throw notFound()
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  return { offer, person: personOf(row) }
}

interface WallNow {
  offer: OpenOffer
  play: OpenPlay
}

async function readWallNow(scope: TeacherScope, offerId: string): Promise<WallNow> {
  const { offer, person } = await readBoard(scope, offerId)
  const play = await findPlay(scope, offer, person.id)
  if (!play) throw notFound()
  return { offer, play }
}

/** Returns a game on the wall as a screen may have it. Throws a Problem where it is another's. */
export async function readWallPlay(scope: TeacherScope, offerId: string, audience: Audience): Promise<WallPlayReply> {
  const { offer, play } = await readWallNow(scope, offerId)
  return replyOf(scope, offer, play, await readRecord(scope, play.id), audience)
}

async function replyOf(
  scope: TeacherScope,
  offer: OpenOffer,
  { made, state, context, moves, now }: OpenPlay,
  record: readonly RecordedMove[],
  audience: Audience,
): Promise<WallPlayReply> {
  const { game, puzzle, kind, title, language, early } = made
  const [facts] = await scope.query<Pick<WallPlayReply, 'listId' | 'counts' | 'remotes'>>(
    `SELECT g.list_id AS "listId", y.counts, (SELECT count(*)::int FROM remotes r WHERE r.offer_id = $offerId
       AND r.token_hash IS NOT NULL) AS remotes
     FROM participants p JOIN plays y ON y.participant_id = p.id JOIN game_versions v ON v.id = y.game_version_id
       JOIN games g ON g.id = v.game_id WHERE p.offer_id = $offerId AND p.is_board`,
    { offerId: offer.id },
  )
  const teams = await teamsAt(scope, offer.id)
  return {
    offerId: offer.id,
    kind,
    title,
    language,
    early,
    ...facts!,
    teams: teams.map(({ participantId: _, ...team }) => team),
    view: game.view(puzzle, state, { ...context, audience }),
    standing: game.teams!(state),
    revision: moves,
    now,
    canUndo: undoable(record) >= 0,
    canRedo: redoable(record) >= 0,
    finished: game.score(puzzle, state).finished,
  }
}

/** Returns the teams of a wall in their order. */
async function teamsAt(scope: TeacherScope, offerId: string): Promise<WallTeamRow[]> {
  return scope.query<WallTeamRow>(
    `SELECT t.id AS "teamId", p.id AS "participantId", t.name, t.emblem, t.members FROM teams t
       JOIN participants p ON p.team_id = t.id WHERE t.offer_id = $offerId ORDER BY t.position`,
    { offerId },
  )
}

/**
 * Does something at the wall, and keeps it: of two screens that act at once, one does. What came before, or was meant
 * for what stood there before, changes nothing. Returns the game as the screen has it then.
 */
export async function actAtWall(
  scope: TeacherScope,
  offerId: string,
  { id, after, act }: z.output<typeof ActAtWall>,
  audience: Audience,
): Promise<WallPlayReply> {
  await scope.query('SELECT 1 FROM plays WHERE offer_id = $offerId FOR UPDATE', { offerId })
  const { offer, play } = await readWallNow(scope, offerId)
  const before = await readRecord(scope, play.id)
  const isStale = after !== play.moves || before.some((move) => move.id === id)
  if (isStale) return replyOf(scope, offer, play, before, audience)
  if (play.moves >= MOST_ACTS) throw new Problem(403, 'link-full')
  const acted = await playAfter(scope, play, before, { id, act })
  if (!acted) return replyOf(scope, offer, play, before, audience)
  await keepActs(scope, acted.next, { ...acted, before, teams: await teamsAt(scope, offerId) })
  return replyOf(scope, offer, acted.next, acted.record, audience)
}

interface Acted {
  record: StoredMove[]
  next: OpenPlay
  responses: Response[]
  /** Whether these are all responses that hold, or those that a move added. */
  isWhole: boolean
}

/** Returns a play after something was done in it; undefined where it changes nothing. */
async function playAfter(
  scope: TeacherScope,
  play: OpenPlay,
  before: readonly StoredMove[],
  { id, act }: Pick<z.output<typeof ActAtWall>, 'id' | 'act'>,
): Promise<Acted | undefined> {
  const { game, puzzle } = play.made
  const now = Math.max(play.movedAt, play.now)
  const clock = play.ended ? play.milliseconds : clockAt(clockOf(play), now, null)
  const number = play.moves + 1
  const next = (state: unknown): OpenPlay => ({
    ...play,
    state,
    moves: number,
    milliseconds: clock,
    movedAt: now,
    pausedBefore: play.paused,
    ended: game.score(puzzle, state).finished,
    doing: { ...game.doing(puzzle, state), last: [] },
  })
  if (act.type === 'move') {
    const step = game.move(puzzle, play.state, game.moves.parse(act.move), { ...play.context, clock, now })
    if (step.play === play.state) return undefined
    const record = recorded(before, { id, number, move: act.move, clock, now } as StoredMove) as StoredMove[]
    return { record, next: next(step.play), responses: lastOfEach(step.responses), isWhole: false }
  }
  const record = (act.type === 'undo' ? undone(before) : redone(before)) as StoredMove[]
  if (record === before) return undefined
  const { play: state, responses } = replayed(game, puzzle, await beginningOf(scope, play), record)
  return { record, next: next(state), responses, isWhole: true }
}

/** Changes teams' names, emblems or members, or whether the play counts. Throws a Problem where it is another's. */
export async function changeWallPlay(
  scope: TeacherScope,
  offerId: string,
  { counts, teams = [] }: z.output<typeof ChangeWallPlay>,
): Promise<void> {
  const { person } = await readBoard(scope, offerId)
  if (counts !== undefined)
    await scope.query('UPDATE plays SET counts = $counts WHERE participant_id = $id', { counts, id: person.id })
  await scope.query(
    `WITH changed AS (SELECT (t ->> 'teamId')::uuid AS id, t ->> 'name' AS name, t ->> 'emblem' AS emblem,
         t -> 'members' AS members FROM jsonb_array_elements($teams::jsonb) AS a(t)),
     renamed AS (UPDATE participants p SET name = c.name FROM changed c WHERE p.team_id = c.id
       AND p.offer_id = $offerId)
     UPDATE teams t SET name = c.name, emblem = c.emblem, members = c.members FROM changed c WHERE t.id = c.id
       AND t.offer_id = $offerId`,
    { offerId, teams: JSON.stringify(teams) },
  )
  await scope.query('UPDATE offers SET changed_at = clock_timestamp() WHERE id = $offerId', { offerId })
}
