import { PLAIN_CONTEXT, type PlayContext, type Response, type Step, type Turn } from '../src/index.ts'
import { begin, LOOK, when } from './playing.ts'

/** What a game must offer to be played through in a test. */
interface Playable<Puzzle, Play, Move, View> {
  start(puzzle: Puzzle, beginning: ReturnType<typeof begin>): Play
  move(puzzle: Puzzle, play: Play, move: Move, turn: Turn): Step<Play>
  view(puzzle: Puzzle, play: Play, sight: typeof LOOK): View
}

/** A play that a test goes through move by move. */
export interface Playthrough<Play, Move, View> {
  /** Makes moves at a time of the play's clock, one after the other; returns the responses they gave. */
  at(clock: number, ...moves: Move[]): Response[]
  play(): Play
  view(): View
  /** Whether a move changes nothing and answers nothing. */
  isVoid(move: Move, clock?: number): boolean
}

/** Begins a play of a puzzle. */
export function playThrough<Puzzle, Play, Move, View>(
  game: Playable<Puzzle, Play, Move, View>,
  puzzle: Puzzle,
  context: Partial<PlayContext> = {},
): Playthrough<Play, Move, View> {
  const whole = { ...PLAIN_CONTEXT, ...context }
  let play = game.start(puzzle, begin('p', whole))
  let last = 0
  return {
    at: (clock, ...moves) => {
      last = clock
      return moves.flatMap((move) => {
        const step = game.move(puzzle, play, move, when(clock, whole))
        play = step.play
        return step.responses
      })
    },
    play: () => play,
    view: () => game.view(puzzle, play, { ...LOOK, ...context }),
    isVoid: (move, clock = last) => {
      const step = game.move(puzzle, play, move, when(clock, whole))
      return step.play === play && step.responses.length === 0
    },
  }
}

/** Returns the rules of an offer that differ from the plain ones. */
export function rules(differing: Partial<PlayContext['rules']>): Partial<PlayContext> {
  return { rules: { ...PLAIN_CONTEXT.rules, ...differing } }
}
