import type { Beginning, Response } from '../games/contract.ts'
import type { AnyGame } from '../games/index.ts'
import { lastOfEach } from '../games/late.ts'

/**
 * A move of a play in which anything can be taken back. One that was undone can be done again until another is made;
 * then it is dropped for good, and stays on record.
 */
export interface RecordedMove {
  move: unknown
  /** When it was made: on the play's own clock, and in milliseconds since 1970. */
  clock: number
  now: number
  standing: 'done' | 'undone' | 'dropped'
}

/** A play as its record tells it, with the responses that hold. */
export interface Replayed {
  play: unknown
  responses: Response[]
}

/** Returns the record with one more move: what was undone before it can't be done again. */
export function recorded(moves: readonly RecordedMove[], made: Omit<RecordedMove, 'standing'>): RecordedMove[] {
  const kept = moves.map((move) => (move.standing === 'undone' ? { ...move, standing: 'dropped' as const } : move))
  return [...kept, { ...made, standing: 'done' }]
}

/** Returns the record with its last move undone; the very record where none is left. */
export function undone(moves: readonly RecordedMove[]): readonly RecordedMove[] {
  return withStanding(moves, undoable(moves), 'undone')
}

/** Returns the record with the move done again that was undone last; the very record where there is none. */
export function redone(moves: readonly RecordedMove[]): readonly RecordedMove[] {
  return withStanding(moves, redoable(moves), 'done')
}

/** Returns the place of the move that is undone next; -1 where there is none. */
export function undoable(moves: readonly RecordedMove[]): number {
  return moves.findLastIndex(({ standing }) => standing === 'done')
}

/** Returns the place of the move that is done again next; -1 where there is none. */
export function redoable(moves: readonly RecordedMove[]): number {
  return moves.findIndex(({ standing }) => standing === 'undone')
}

function withStanding(
  moves: readonly RecordedMove[],
  place: number,
  standing: RecordedMove['standing'],
): readonly RecordedMove[] {
  return place < 0 ? moves : moves.map((move, index) => (index === place ? { ...move, standing } : move))
}

/** Plays what a record holds, from the beginning. Returns how the play stands, with the responses that hold. */
export function replayed(
  game: AnyGame,
  puzzle: unknown,
  beginning: Beginning,
  moves: readonly RecordedMove[],
): Replayed {
  const { random: _random, now: _now, memory: _memory, ...context } = beginning
  let play = game.start(puzzle, beginning)
  const responses: Response[] = []
  for (const { move, clock, now, standing } of moves) {
    if (standing !== 'done') continue
    const step = game.move(puzzle, play, game.moves.parse(move), { ...context, clock, now })
    play = step.play
    responses.push(...step.responses)
  }
  return { play, responses: lastOfEach(responses) }
}
