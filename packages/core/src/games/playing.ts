import { z } from 'zod'
import type { Beginning, Doing, Game, PlayContext, Response, Score, Shared, Step, Turn } from './contract.ts'
import { NO_KNOWLEDGE } from './knowledge.ts'
import { PlayRules } from './rules.ts'

/** What every play has. Times are on the play's own clock, in milliseconds. */
export interface PlayLife {
  lastAt: number
  finishedAt: number | null
}

/** The move that every game has: the player is done. */
export const Finish = z.object({ type: z.literal('finish') })

/** The context of a play that nobody has set rules for. */
export const PLAIN_CONTEXT: PlayContext = {
  seat: 1,
  rules: PlayRules.parse({}),
  shared: null,
  knowledge: NO_KNOWLEDGE,
}

/** What a move came to: without responses and not the end, unless it says so. */
export interface Turned<Play> {
  play: Play
  responses?: Response[]
  isOver?: boolean
}

/**
 * How one game is played, without the life that all plays share. Moves are of plays under way, and the turn's clock
 * never runs back.
 */
export interface Course<Puzzle, Play extends PlayLife, Move extends { type: string }> {
  start(puzzle: Puzzle, beginning: Beginning): Omit<Play, keyof PlayLife>
  /** Types of the moves that ask for a hint: void where the rules allow none. */
  hints?: readonly string[]
  /** Applies a move; one that changes nothing returns the very play. */
  move(puzzle: Puzzle, play: Play, move: Exclude<Move, { type: 'finish' }>, turn: Turn): Turned<Play>
  /** Closes what is open; the play ends with it. */
  finish(puzzle: Puzzle, play: Play, turn: Turn): Turned<Play>
  score(puzzle: Puzzle, play: Play, shared?: Shared | null): Pick<Score, 'right' | 'total' | 'points'> & Partial<Score>
  /** Brings a play under way to what all are asked now; absent where each goes on alone. */
  follow?(puzzle: Puzzle, play: Play, turn: Turn): Turned<Play>
  /** What a play under way is doing. */
  doing(puzzle: Puzzle, play: Play): Doing
}

type Life<Puzzle, Play, Move> = Pick<
  Game<unknown, Puzzle, Play, Move, unknown>,
  'start' | 'move' | 'end' | 'score' | 'doing'
> & { follow(puzzle: Puzzle, play: Play, turn: Turn): Step<Play> }

/**
 * Returns how a game is played, with the life that all plays share: it begins at 0, nothing is taken once it is over,
 * its clock never runs back, and it ends when the game, the player or the host says so.
 */
export function playing<Puzzle, Play extends PlayLife, Move extends { type: string }>(
  course: Course<Puzzle, Play, Move>,
): Life<Puzzle, Play, Move> {
  const turn = (before: Play, at: Turn, act: (at: Turn) => Turned<Play>): Step<Play> => {
    if (before.finishedAt !== null) return { play: before, responses: [] }
    const clock = Math.max(at.clock, before.lastAt)
    const { play, responses = [], isOver = false } = act({ ...at, clock })
    if (play === before && !isOver) return { play, responses }
    return { play: { ...play, lastAt: clock, finishedAt: isOver ? clock : null }, responses }
  }
  const end: Life<Puzzle, Play, Move>['end'] = (puzzle, play, at) =>
    turn(play, at, (now) => ({ ...course.finish(puzzle, play, now), isOver: true }))
  return {
    start: (puzzle, beginning) => ({ ...course.start(puzzle, beginning), lastAt: 0, finishedAt: null }) as Play,
    move: (puzzle, play, move, at) => {
      if (move.type === 'finish') return end(puzzle, play, at)
      if (!at.rules.hints && course.hints?.includes(move.type)) return { play, responses: [] }
      return turn(play, at, (now) => course.move(puzzle, play, move as Exclude<Move, { type: 'finish' }>, now))
    },
    end,
    follow: (puzzle, play, at) => turn(play, at, (now) => course.follow?.(puzzle, play, now) ?? { play }),
    score: (puzzle, play, shared) => ({
      bonus: 0,
      hints: 0,
      misses: 0,
      ...course.score(puzzle, play, shared),
      finished: play.finishedAt !== null,
      milliseconds: play.finishedAt ?? play.lastAt,
    }),
    doing: (puzzle, play) => (play.finishedAt === null ? course.doing(puzzle, play) : { code: 'done', values: {} }),
  }
}
