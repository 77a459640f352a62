import { randomUUID } from 'node:crypto'
import type { MoveFate, PlayReply, SendMove } from '@otter/api'
import { clockAt, delayOf, type Response } from '@otter/core'
import type { z } from 'zod'
import { Problem } from '../problem.ts'
import { isDoneAgain, type Reader } from '../db/scope.ts'
import { type Caller, type OpenOffer, type Person } from './doors.ts'
import { keepMove, takeMove, type CameResponse, type IdentifiedMove, type Kept } from './keptMoves.ts'
import { isLate } from './lateAnswers.ts'
import { reply } from './playReplies.ts'
import {
  clockOf,
  dueMoment,
  enterWithPlay,
  findDuePlay,
  findPlay,
  GRACE,
  type BeforeTimeUp,
  type OpenPlay,
} from './storedPlays.ts'
import { questionSet } from './questionSets.ts'

/** The move by which every game ends. */
const FINISH = { type: 'finish' }
/** How often a move is made again that others of the same play, or a change of the session, overtook. */
const MOST_TRIES = 50
/** Most moves of one attempt. */
const MAX_MOVES = 20_000
/** How many of its last outcomes a play's line shows. */
const LAST_OUTCOMES = 8

/** What a student is told of a move, and in whose play of which offer it was made. */
export interface MoveTold {
  reply: PlayReply
  offerId: string
  personId: string
}

/**
 * Applies a move, and keeps it with the responses it made. A move that came before changes nothing; one that was made
 * for what has passed is kept, and changes nothing else.
 *
 * @param connectedFor how long the device has been connected without a break, in milliseconds
 */
export async function sendMove(
  scope: Reader,
  caller: Caller,
  sent: z.output<typeof SendMove>,
  connectedFor = 0,
): Promise<MoveTold> {
  // One id for all tries.
  const id = sent.id ?? randomUUID()
  for (let tries = 1; tries <= MOST_TRIES; tries++) {
    const told = await tryMove(scope, caller, { ...sent, id, isNamed: sent.id !== undefined }, connectedFor).catch(
      (error: unknown) => {
        if (!isDoneAgain(error)) throw error
        return undefined
      },
    )
    if (told) return told
  }
  throw new Problem(503, 'no-database')
}

/** Makes a move in the play as it stands; returns undefined where something has overtaken it meanwhile. */
async function tryMove(
  scope: Reader,
  caller: Caller,
  { isNamed, ...sent }: z.output<typeof SendMove> & { id: string; isNamed: boolean },
  connectedFor: number,
): Promise<MoveTold | undefined> {
  const { offer, person, play } = await enterWithPlay(scope, caller)
  if (!play) throw new Problem(401, 'who-are-you')
  const told = async (next: OpenPlay, fate: MoveFate): Promise<MoveTold> => ({
    reply: await reply(scope, offer, person, next, fate),
    offerId: offer.id,
    personId: person.id,
  })
  const move = play.made.game.moves.parse(sent.move)
  const delay = believed(sent, play.now, connectedFor, offer.live ? (person.heardAt ?? 0) : 0)
  if (sent.attempt !== play.attempt) {
    const past = { ...sent, id: isNamed ? sent.id : undefined, delay }
    const fate = await keepForPast(scope, offer, person, past, move)
    return fate === 'overtaken' ? undefined : told(play, fate)
  }
  // Whoever gives no id says instead after how many moves it was made.
  if (!isNamed && sent.after !== play.moves) return told(play, 'repeated')
  if (play.moves >= MAX_MOVES) throw new Problem(403, 'link-full')
  const revision = offer.live?.revision ?? null
  const { next, fate } = await applyMove(scope, play, { ...sent, move, author: 'player', delay, revision })
  return fate === 'overtaken' ? undefined : told(next, fate)
}

/**
 * Returns for how long a move is believed to have waited on its device: not where the device was connected then, nor
 * from before it was last heard of.
 */
function believed(sent: z.output<typeof SendMove>, now: number, connectedFor: number, heardAt: number): number {
  const delay = delayOf(sent)
  return delay <= connectedFor ? 0 : Math.min(delay, Math.max(0, now - heardAt))
}

/** A play whose time has passed. */
export interface PassedPlay {
  offerId: string
  participantId: string
}

/**
 * Makes the move that is due where the time of a play has passed: the one that has waited longest. Returns whose it was;
 * undefined where there was none. A play that can't be read holds up no other: `onFailure` is told why, and it is tried again in a minute.
 */
export async function passTime(scope: Reader, onFailure: (error: unknown) => void): Promise<PassedPlay | undefined> {
  const due = await findDuePlay(scope)
  if (!due) return undefined
  await scope.query('SAVEPOINT due_play')
  try {
    await passTimeOf(scope, await due.open())
  } catch (error) {
    if (isDoneAgain(error)) throw error
    await scope.query('ROLLBACK TO SAVEPOINT due_play')
    await scope.query("UPDATE plays SET due_at = clock_timestamp() + interval '1 minute' WHERE id = $id", {
      id: due.id,
    })
    onFailure(error)
  }
  return due
}

async function passTimeOf(scope: Reader, play: OpenPlay): Promise<void> {
  const due = dueMoment(play)
  const { timed } = play.made.game
  const isUp = play.endsAt !== null && play.endsAt + GRACE <= play.now
  if ((play.context.shared?.phase === 'over' || isUp) && !play.ended) {
    const { fate } = await applyMove(scope, play, {
      id: randomUUID(),
      move: FINISH,
      author: 'clock',
      delay: 0,
      revision: null,
    })
    if (fate === 'taken') return
  }
  if (!timed || due === null || due.getTime() > play.now) return setDue(scope, play, due)
  const { fate } = await applyMove(scope, play, {
    id: randomUUID(),
    move: timed.timeUp,
    author: 'clock',
    delay: 0,
    revision: null,
  })
  // Where it changed nothing, it would be due at once again, and for ever.
  if (fate !== 'taken') await setDue(scope, play, null)
}

async function setDue(scope: Reader, { id }: OpenPlay, due: Date | null): Promise<void> {
  await scope.query('UPDATE plays SET due_at = $due::timestamptz WHERE id = $id', { id, due })
}

async function applyMove(
  scope: Reader,
  stored: OpenPlay,
  sent: IdentifiedMove,
): Promise<{ next: OpenPlay; fate: Kept }> {
  const { play, now, delay } = asMade(stored, sent)
  const { made, context, state } = play
  const { game, puzzle } = made
  const clock = play.ended
    ? play.milliseconds
    : clockAt(clockOf(play), now, game.timed?.deadline(puzzle, state, context) ?? null)
  const isPassed = isForPast(play, sent, now)
  const step = isPassed
    ? { play: state, responses: [] }
    : game.move(puzzle, state, sent.move, { ...context, clock, now })
  const responses = [...play.followed, ...madeBy(sent, context, step.responses)]
  const fate = isPassed ? await fateOfPassed(scope, play, sent) : step.play === state ? 'void' : 'taken'
  const moves = play.moves + 1
  if (fate !== 'taken') {
    const kept = await keepMove(scope, stored, sent, fate, clock)
    return kept === fate ? { next: { ...stored, moves }, fate } : { next: stored, fate: kept }
  }
  const score = game.score(puzzle, step.play)
  const outcomes = responses.map(({ outcome }) => outcome)
  const next: OpenPlay = {
    ...play,
    state: step.play,
    followed: [],
    moves,
    milliseconds: clock,
    movedAt: now,
    pausedBefore: play.paused,
    ended: score.finished,
    beforeTimeUp: sent.author === 'clock' ? (stored.beforeTimeUp ?? snapshotOf(stored)) : null,
    atEnd: sent.author === 'clock' && score.finished ? { state, rules: play.rules } : play.atEnd,
    doing: {
      ...game.doing(puzzle, step.play),
      last: [...(play.doing?.last ?? []), ...outcomes].slice(-LAST_OUTCOMES),
    },
  }
  const isAskedOther =
    game.questionsKey !== undefined && game.questionsKey(puzzle, state) !== game.questionsKey(puzzle, step.play)
  const asked = isAskedOther ? await questionSet(scope, made, step.play) : null
  const became = await takeMove(scope, play, { ...sent, delay }, clock, { next, responses, asked })
  return became === fate ? { next, fate } : { next: stored, fate: became }
}

/**
 * Returns the responses that a move itself made: what is left when a play is stopped was not reached. Where all are asked in
 * step, everyone was asked.
 */
function madeBy(
  { move }: Pick<IdentifiedMove, 'move'>,
  { shared }: OpenPlay['context'],
  responses: readonly Response[],
): CameResponse[] {
  const isStop = (move as { type?: unknown }).type === FINISH.type && !shared?.inStep
  return responses.map((one) => (isStop && one.outcome === 'passed' ? { ...one, reached: false } : one))
}

/** Whether a move was made for what does not stand any more. */
function isForPast(
  { made: { game, puzzle }, state, context, endsAt, ended, atEnd }: OpenPlay,
  { for: madeFor, author }: IdentifiedMove,
  now: number,
): boolean {
  if (author === 'player' && context.shared?.phase === 'over') return true
  // Its time was up before it was finished: what comes now can be counted by the teacher alone.
  if (author === 'player' && endsAt !== null && (ended ? atEnd !== null : now > endsAt + GRACE)) return true
  return madeFor !== undefined && game.moment !== undefined && madeFor !== game.moment(puzzle, state)
}

/**
 * Returns the play that a move was made in, and when it was made by the server's clock. A move that had no connection
 * counts from when it was made: after the last one that was heard, and where the time for what it answers ran out
 * meanwhile with no word from its player, as if it had not.
 */
function asMade(play: OpenPlay, sent: IdentifiedMove): { play: OpenPlay; now: number; delay: number } {
  const { delay } = sent
  const { game, puzzle } = play.made
  const before = play.beforeTimeUp
  if (delay > 0 && before && sent.for !== undefined && sent.for === game.moment?.(puzzle, before.state)) {
    const earlier: OpenPlay = { ...play, ...before, ended: false }
    const now = Math.max(before.movedAt, play.now - delay)
    const deadline = game.timed?.deadline(puzzle, before.state, play.context) ?? null
    if (deadline !== null && clockAt(clockOf(earlier), now, deadline) < deadline) return { play: earlier, now, delay }
  }
  return { play, now: Math.max(play.movedAt, play.now - delay), delay }
}

/** Returns what becomes of a move that was made for what has passed. */
async function fateOfPassed(
  scope: Reader,
  play: OpenPlay,
  { for: madeFor, move, author }: IdentifiedMove,
): Promise<'late' | 'passed'> {
  return author === 'player' && (await isLate(scope, play, { for: madeFor ?? null, move })) ? 'late' : 'passed'
}

function snapshotOf({ state, rules, milliseconds, movedAt, pausedBefore }: OpenPlay): BeforeTimeUp {
  return { state, rules, milliseconds, movedAt, pausedBefore }
}

/** Keeps a move that was made for an earlier attempt: it has come too late. */
async function keepForPast(
  scope: Reader,
  offer: OpenOffer,
  person: Person,
  sent: z.output<typeof SendMove> & { delay: number },
  move: unknown,
): Promise<Kept> {
  const past = await findPlay(scope, offer, person.id, { attempt: sent.attempt })
  if (!past || sent.id === undefined || past.moves >= MAX_MOVES) return 'repeated'
  const late: IdentifiedMove = { ...sent, move, id: sent.id, author: 'player', revision: null }
  return keepMove(scope, past, late, await fateOfPassed(scope, past, late), past.milliseconds)
}
