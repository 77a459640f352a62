import type { ZodType } from 'zod'
import type { Standing } from '../games/contract.ts'

/** What a way of playing knows of the game: the time for each question that can be asked of all at once, in seconds. */
export interface LiveGame {
  /** Empty where the game can't be played in step. */
  steps: readonly { seconds: number }[]
  /** Whether they lie on a board from which a host can choose. */
  hasBoard: boolean
}

/** Where a way of playing stands after something happened. */
export interface WayStep<State> {
  state: State
  /** Whether the session ends with it. */
  isOver: boolean
}

/**
 * A way of playing a game together: what all share beside the clock, as pure steps. Moments are milliseconds since 1970
 * by the database's clock.
 */
export interface Way<Options, State> {
  kind: string
  /** Number of the shape of its state, from 1. */
  version: number
  /** Every field has a default; a field that is none of them is refused. */
  options: ZodType<Options>
  /** Whether all are asked the same at once, rather than each going on alone. */
  inStep: boolean
  /** Whether a game can be played so. */
  suits(game: LiveGame): boolean
  /** Begins with what all are asked first. */
  start(game: LiveGame, options: Options, now: number): State
  /** Goes on by the host's key. Returns the very state where there is nothing to go on to. */
  next(state: State, game: LiveGame, options: Options, now: number): WayStep<State>
  /** Asks what the host chose. Returns the very state where that can't be asked now. */
  pick(state: State, game: LiveGame, options: Options, place: number, now: number): State
  /** Gives more time for what stands, in milliseconds. Returns the very state where it has no time of its own. */
  addTime(state: State, milliseconds: number): State
  /** Returns the moment at which what stands goes on by itself; null for none. */
  due(state: State): number | null
  /** Moves all moments on, after the session stood still for so many milliseconds. */
  shift(state: State, milliseconds: number): State
  /** Returns what all are asked now; null where each goes on alone. */
  standing(state: State, options: Options): Standing | null
  /** Returns all that was asked of all so far, in that order, with what stands. */
  asked(state: State): readonly number[]
}
