import { randomUUID } from 'node:crypto'
import type { LateAnswers } from '@otter/api'
import { countLate, lastOfEach, type LateMove, type LatePlay, type Response, type Turn } from '@otter/core'
import type { Reader, TeacherScope } from '../db/scope.ts'
import { findDoor } from './doors.ts'
import { takeMove } from './keptMoves.ts'
import { holdOffer } from './participantChanges.ts'
import { readOffer } from './offers.ts'
import { findLatePlays, type OpenPlay } from './storedPlays.ts'

/** Answers of a student that waited so long for a connection are told as such, in milliseconds. */
const NOTED_DELAY = 1500

/** Most moves of a play that are looked at once more: each one that comes too late is judged after all before it. */
const MOST_LATE = 200

interface StoredLateMove extends LateMove {
  number: number
  delay: number
}

/** A play with all of its late moves counted, and what each answer came to. */
interface CountedPlay extends LatePlay {
  answers: { response: Response; delay: number }[]
  responses: Response[]
}

/** Whether a move that was made for what has passed brings an answer which could still be counted. */
export async function isLate(scope: Reader, play: OpenPlay, sent: LateMove): Promise<boolean> {
  const before = await pastMovesOf(scope, play)
  if (before.length >= MOST_LATE) return false
  const { game, puzzle } = play.made
  return countLate(game, puzzle, counted(play, before), sent, turnOf(play)).answers.length > 0
}

/** Returns what a student answered too late, as it would count. Throws a Problem where the offer is another's. */
export async function readLate(scope: TeacherScope, offerId: string, participantId: string): Promise<LateAnswers> {
  await readOffer(scope, offerId)
  const answers: LateAnswers['answers'] = []
  for (const { play, came } of await countedPlays(scope, offerId, participantId)) {
    const texts = new Map(play.made.game.questions(play.made.puzzle, came.play).map((one) => [one.entryId, one.text]))
    for (const { response, delay } of came.answers)
      answers.push({
        text: texts.get(response.entryId) ?? '',
        given: response.given,
        outcome: response.outcome,
        wasOffline: delay >= NOTED_DELAY,
      })
  }
  return { answers }
}

/**
 * Counts what a student answered too late: as a move of the teacher in each of the plays. Throws a Problem where the
 * offer is another's.
 */
export async function countLateAnswers(scope: TeacherScope, offerId: string, participantId: string): Promise<void> {
  await holdOffer(scope, offerId)
  // A move that the student makes meanwhile waits, and is judged by what stands then.
  await scope.query(
    `SELECT id FROM plays WHERE offer_id = $offerId AND participant_id IN (SELECT id FROM participants
      WHERE id = $participantId OR merged_into = $participantId) ORDER BY id FOR UPDATE`,
    { offerId, participantId },
  )
  for (const { play, moves, came } of await countedPlays(scope, offerId, participantId)) {
    const { game, puzzle } = play.made
    const next: OpenPlay = {
      ...play,
      state: came.play,
      paused: play.pausedBefore,
      ended: game.score(puzzle, came.play).finished,
      atEnd: came.before === null ? null : { state: came.before, rules: play.rules },
    }
    const counting = { id: randomUUID(), move: { type: 'count', moves }, delay: 0, revision: null }
    await takeMove(scope, play, { ...counting, author: 'teacher' }, play.milliseconds, {
      next,
      // What was passed over since the last move may be among what is counted.
      responses: lastOfEach([...play.followed, ...came.responses]),
    })
    await scope.query("UPDATE moves SET fate = 'counted' WHERE play_id = $id AND number = ANY ($moves::int[])", {
      id: play.id,
      moves,
    })
  }
}

async function countedPlays(
  scope: Reader,
  offerId: string,
  personId: string,
): Promise<{ play: OpenPlay; moves: number[]; came: CountedPlay }[]> {
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  const plays = await findLatePlays(scope, offer, personId)
  const found = []
  for (const play of plays) {
    const moves = await pastMovesOf(scope, play)
    found.push({ play, moves: moves.map(({ number }) => number), came: counted(play, moves) })
  }
  return found
}

/** Returns what was made for what had passed: an answer may need what came before it, such as the letters of a word. */
async function pastMovesOf(scope: Reader, { id }: OpenPlay): Promise<StoredLateMove[]> {
  return scope.query<StoredLateMove>(
    `SELECT number, move, made_for AS "for", delay_ms AS delay FROM moves WHERE play_id = $id
      AND fate IN ('late', 'passed') AND author = 'player' ORDER BY number LIMIT ${MOST_LATE}`,
    { id },
  )
}

function counted(play: OpenPlay, moves: readonly StoredLateMove[]): CountedPlay {
  const { game, puzzle } = play.made
  const answers: CountedPlay['answers'] = []
  const responses: Response[] = []
  let stands = asEnded(play)
  for (const { delay, ...move } of moves) {
    const came = countLate(game, puzzle, stands, move, turnOf(play))
    answers.push(...came.answers.map((response) => ({ response, delay })))
    responses.push(...came.responses)
    stands = { play: came.play, before: came.before }
  }
  return { ...stands, answers, responses }
}

/** Returns how a play stands, ended where its session is, whether or not a server has seen to it. */
function asEnded(play: OpenPlay): LatePlay {
  const { state, ended, atEnd, context, made, endsAt, now } = play
  const isOver = context.shared?.phase === 'over' || (endsAt !== null && now > endsAt)
  if (ended || !isOver) return { play: state, before: atEnd?.state ?? null }
  return { play: made.game.end(made.puzzle, state, turnOf(play)).play, before: state }
}

function turnOf({ context, milliseconds, now }: OpenPlay): Turn {
  return { ...context, clock: milliseconds, now }
}
