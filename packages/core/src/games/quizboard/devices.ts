import type { Beginning, Doing, Question, Score, Shared, Sight, Step, Turn } from '../contract.ts'
import type { Turned } from '../playing.ts'
import { countLate as countQuizLate } from '../quiz/late.ts'
import {
  course as quiz,
  moment as quizMoment,
  questionsKey as quizKey,
  questionsOf as quizQuestions,
  stepsOf as quizSteps,
  type QuizMove,
  type QuizPlay,
} from '../quiz/play.ts'
import { view as quizView, type QuizView } from '../quiz/view.ts'
import type { QuizboardPuzzle } from './puzzle.ts'
import type { DevicePlay, QuizboardMove, QuizboardPlay, TileView } from './state.ts'

/** What a device knows of a board from which all are asked: the question that stands, and what lies there. */
export interface DeviceView {
  /** Null while the next question is chosen. */
  device: QuizView | null
  columns: { name: string; tiles: TileView[] }[]
  /** The question of the dive, and how it stands; null where there is none. */
  dive: TileView | null
  finished: boolean
}

/** Begins a play on a student's own device; null where teams play at one wall. */
export function startDevice({ onDevices }: QuizboardPuzzle, beginning: Beginning): DevicePlay | null {
  return beginning.shared?.inStep ? quiz.start(onDevices, beginning) : null
}

/** Returns a play as the quiz that it is; null where teams play at one wall. */
function quizOf({ device, lastAt, finishedAt }: QuizboardPlay): QuizPlay | null {
  return device && { ...device, lastAt, finishedAt }
}

/** Returns a play after its quiz went on; the very play where that stayed as it was. */
function withQuiz(
  play: QuizboardPlay,
  before: QuizPlay,
  { lastAt: _, finishedAt: __, ...device }: QuizPlay,
): QuizboardPlay {
  return Object.entries(device).every(([key, value]) => before[key as keyof DevicePlay] === value)
    ? play
    : { ...play, device }
}

/** Has the quiz of a play on a device go on; the very play where there is none. */
function gone(play: QuizboardPlay, act: (quiz: QuizPlay) => Turned<QuizPlay>): Turned<QuizboardPlay> {
  const before = quizOf(play)
  if (!before) return { play }
  const { play: after, ...rest } = act(before)
  return { ...rest, play: withQuiz(play, before, after) }
}

export function moveDevice(
  { onDevices }: QuizboardPuzzle,
  play: QuizboardPlay,
  move: QuizboardMove,
  turn: Turn,
): Turned<QuizboardPlay> {
  return gone(play, (before) => quiz.move(onDevices, before, move as Exclude<QuizMove, { type: 'finish' }>, turn))
}

/** Brings a play to what all are asked now. */
export function follow({ onDevices }: QuizboardPuzzle, play: QuizboardPlay, turn: Turn): Turned<QuizboardPlay> {
  return gone(play, (before) => quiz.follow!(onDevices, before, turn))
}

export function finishDevice({ onDevices }: QuizboardPuzzle, play: QuizboardPlay, turn: Turn): Turned<QuizboardPlay> {
  return gone(play, (before) => quiz.finish(onDevices, before, turn))
}

/** Counts an answer that came too late to what had passed on a device. */
export function countLate(
  { onDevices }: QuizboardPuzzle,
  play: QuizboardPlay,
  sent: { for: string; move: QuizboardMove },
  turn: Turn,
): Step<QuizboardPlay> {
  const { play: after, responses = [] } = gone(play, (before) =>
    countQuizLate(onDevices, before, sent as { for: string; move: QuizMove }, turn),
  )
  return { play: after, responses }
}

/** Returns where a play on a device stands; undefined where teams play at one wall. */
export function deviceScore(
  { onDevices }: QuizboardPuzzle,
  play: QuizboardPlay,
  shared?: Shared | null,
): Pick<Score, 'right' | 'total' | 'points'> | undefined {
  const before = quizOf(play)
  return before ? quiz.score(onDevices, before, shared) : undefined
}

/** Returns what a play on a device asks; undefined where teams play at one wall. */
export function deviceQuestions({ onDevices }: QuizboardPuzzle, play: QuizboardPlay): Question[] | undefined {
  const before = quizOf(play)
  return before ? quizQuestions(onDevices, before) : undefined
}

export function questionsKey({ onDevices }: QuizboardPuzzle, play: QuizboardPlay): string {
  const before = quizOf(play)
  return before ? quizKey(onDevices, before) : ''
}

export function moment({ onDevices }: QuizboardPuzzle, play: QuizboardPlay): string {
  const before = quizOf(play)
  return before ? quizMoment(onDevices, before) : ''
}

export function deviceDoing({ onDevices }: QuizboardPuzzle, { answers }: DevicePlay): Doing {
  return { code: 'board', values: { left: onDevices.questions.length - answers.length } }
}

export function stepsOf({ onDevices }: QuizboardPuzzle): { entryId: string; seconds: number }[] {
  return quizSteps(onDevices)
}

/** Returns what a device may know; undefined where teams play at one wall. */
export function deviceView(puzzle: QuizboardPuzzle, play: QuizboardPlay, sight: Sight): DeviceView | undefined {
  const before = quizOf(play)
  if (!before) return undefined
  const { standing, asked = [] } = sight.shared ?? {}
  const finished = play.finishedAt !== null
  const stateOf = (item: number): TileView['state'] =>
    item === standing?.place ? 'open' : asked.includes(item) ? 'used' : 'there'
  const tile = (item: number): TileView => ({
    item,
    value: puzzle.onDevices.questions[item]!.worth,
    state: stateOf(item),
    team: null,
  })
  const onBoard = new Set(puzzle.columns.flatMap(({ items }) => items))
  const dive = puzzle.questions.findIndex((_, item) => !onBoard.has(item))
  return {
    device: standing || finished ? quizView(puzzle.onDevices, before, sight) : null,
    columns: puzzle.columns.map(({ name, items }) => ({ name, tiles: items.map(tile) })),
    dive: dive < 0 ? null : tile(dive),
    finished,
  }
}
