import { z, type ZodType } from 'zod'
import { teamed, type TeamCourse, type TeamLife } from '../wall/teamed.ts'
import { TeamMove } from '../wall/teams.ts'
import { askedList, markedList, type Asking } from './asking.ts'
import type { Game, InStep } from './contract.ts'
import { playing, type Course, type PlayLife } from './playing.ts'
import { boundedStep } from './response.ts'

/** A game as its folder writes it: what is the same for all is added. */
export type GameManifest<Options, Puzzle, Play extends PlayLife, Move extends { type: string }, View> = Omit<
  Game<Options, Puzzle, Play, Move, View>,
  'start' | 'move' | 'end' | 'score' | 'doing' | 'inStep' | 'teams'
> & {
  course: Course<Puzzle, Play, Move>
  /** What can be asked of all at once, where the course can follow; and whether it lies on a board to choose from. */
  stepsOf?: InStep<Puzzle, Play>['questions']
  hasBoard?: boolean
}

/**
 * Returns a whole game: it takes only what is asked of a list, marks pictures whose words would tell, shares the life of
 * plays, and keeps its responses within bounds.
 */
export function gameFrom<Options extends Asking, Puzzle, Play extends PlayLife, Move extends { type: string }, View>({
  course,
  stepsOf,
  hasBoard = false,
  lookup,
  ...manifest
}: GameManifest<Options, Puzzle, Play, Move, View>): Game<Options, Puzzle, Play, Move, View> {
  const { move, end, follow, ...life } = playing(course)
  return {
    ...manifest,
    ...life,
    ...(stepsOf && { inStep: { hasBoard, questions: stepsOf, follow: (...made) => boundedStep(follow(...made)) } }),
    fit: (list, options) => manifest.fit(askedList(list, options), options),
    make: (list, options, random, known) => manifest.make(markedList(askedList(list, options)), options, random, known),
    ...(lookup && { lookup: (list, options) => lookup(askedList(list, options), options) }),
    move: (...made) => boundedStep(move(...made)),
    end: (...made) => boundedStep(end(...made)),
  }
}

/** A game that teams can play at one wall, as its folder writes it. */
export type TeamGameManifest<Options, Puzzle, Play extends TeamLife, Move extends { type: string }, View> = Omit<
  GameManifest<Options, Puzzle, Play, Move, View>,
  'course'
> & { course: TeamCourse<Puzzle, Play, Move> }

/** Returns a whole game that teams can play at one wall: with their turns, points by hand, and a timer. */
export function teamGameFrom<
  Options extends Asking,
  Puzzle,
  Play extends TeamLife,
  Move extends { type: string },
  View,
>({
  course,
  moves,
  ...manifest
}: TeamGameManifest<Options, Puzzle, Play, Move, View>): Game<Options, Puzzle, Play, Move | TeamMove, View> {
  const whole: ZodType<Move | TeamMove> = z.union([TeamMove, moves])
  const shared = manifest as Omit<typeof manifest, 'ahead' | 'timed' | 'countLate'> &
    Pick<GameManifest<Options, Puzzle, Play, Move | TeamMove, View>, 'countLate'>
  return {
    ...gameFrom<Options, Puzzle, Play, Move | TeamMove, View>({ ...shared, moves: whole, course: teamed(course) }),
    teams: (play) => play.teams,
  }
}
