import type { Response, Step, Turn } from './contract.ts'
import type { AnyGame } from './index.ts'
import { Finish } from './playing.ts'

/** A move that came too late, and what it was made for, where that was said. */
export interface LateMove {
  for: string | null
  move: unknown
}

/** A play, and how it stood when its time ran out with no word from its player; null where it did not. */
export interface LatePlay {
  play: unknown
  before: unknown
}

/** A play with a move counted: the responses that the move made, and all that came of it. */
export interface Counted extends LatePlay {
  answers: Response[]
  responses: Response[]
}

/**
 * Counts a move that came too late. A game that knows which question it was for counts it in place of nothing; where any
 * other was ended with its time, the move is made as if the time had run on, and the play ends once more. Returns how the
 * play stands then: the very play where the move does not count.
 */
export function countLate(
  game: AnyGame,
  puzzle: unknown,
  { play, before }: LatePlay,
  { for: madeFor, move }: LateMove,
  turn: Turn,
): Counted {
  const nothing: Counted = { play, before, answers: [], responses: [] }
  if (Finish.safeParse(move).success) return nothing
  if (game.countLate) {
    if (madeFor === null) return nothing
    const { play: counted, responses } = game.countLate(puzzle, play, { for: madeFor, move }, turn)
    return { play: counted, before, answers: responses, responses }
  }
  if (before === null || !game.score(puzzle, play).finished) return nothing
  if (madeFor !== null && game.moment && madeFor !== game.moment(puzzle, before)) return nothing
  const step = makeLate(game, puzzle, before, move, turn)
  if (step.play === before || asksForHelp(game, puzzle, before, step.play)) return nothing
  const ended = game.end(puzzle, step.play, turn)
  return {
    play: ended.play,
    before: step.play,
    answers: step.responses,
    responses: lastOfEach([...step.responses, ...ended.responses]),
  }
}

function makeLate(game: AnyGame, puzzle: unknown, before: unknown, move: unknown, turn: Turn): Step<unknown> {
  const shared = turn.shared && { ...turn.shared, phase: 'open' as const }
  return game.move(puzzle, before, move, { ...turn, shared })
}

function asksForHelp(game: AnyGame, puzzle: unknown, before: unknown, after: unknown): boolean {
  return game.score(puzzle, after).hints > game.score(puzzle, before).hints
}

/** Returns responses of which each key is there once: the last one of it. */
export function lastOfEach(responses: readonly Response[]): Response[] {
  const byKey = new Map<string, Response>()
  for (const response of responses) byKey.set(`${response.entryId} ${response.round} ${response.occasion}`, response)
  return [...byKey.values()]
}
