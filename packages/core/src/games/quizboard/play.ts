import type { Doing, Sight } from '../contract.ts'
import { noQuestions, questionMoved, type QuestionRules } from '../../wall/questions.ts'
import { questionScore, questionView, type QuestionView } from '../../wall/questionView.ts'
import type { TeamCourse } from '../../wall/teamed.ts'
import { MOST_TEAMS, turnsShown } from '../../wall/teams.ts'
import {
  deviceDoing,
  deviceScore,
  deviceView,
  finishDevice,
  follow,
  moveDevice,
  startDevice,
  type DeviceView,
} from './devices.ts'
import { DIVE_POINTS } from './make.ts'
import type { QuizboardPuzzle } from './puzzle.ts'
import type { QuizboardMove, QuizboardPlay, TileView } from './state.ts'

/** All that a screen may know. */
export interface QuizboardView {
  columns: { name: string; tiles: TileView[] }[]
  question: QuestionView | null
  /** What the open question is worth. */
  value: number
  isDive: boolean
  /** Whether the dive can begin. */
  canDive: boolean
  left: number
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type QuizboardCourse = TeamCourse<QuizboardPuzzle, QuizboardPlay, QuizboardMove>

function rulesOf(puzzle: QuizboardPuzzle): QuestionRules<QuizboardPlay> {
  const value = (play: QuizboardPlay, item: number): number =>
    item === play.dive ? DIVE_POINTS : puzzle.questions[item]!.value
  return {
    questions: puzzle.questions,
    everyone: (play, item) => item === play.dive,
    tries: MOST_TEAMS,
    gain: value,
    loss: (play, item) => (puzzle.wrong === 'points' && item !== play.dive ? value(play, item) : 0),
    seconds: puzzle.seconds,
  }
}

const start: QuizboardCourse['start'] = (puzzle, beginning) => ({
  ...noQuestions(puzzle.questions.length),
  dive: null,
  device: startDevice(puzzle, beginning),
})

const move: QuizboardCourse['move'] = (puzzle, play, made, turn) => {
  if (play.device) return moveDevice(puzzle, play, made, turn)
  if (made.type === 'choose' || made.type === 'type' || made.type === 'claim') return { play }
  if (made.type === 'dive') {
    if (play.open || !canDive(puzzle, play)) return { play }
    const item = hardestUnmet(puzzle, play)!
    return questionMoved(rulesOf(puzzle), { ...play, dive: item }, { type: 'open', item }, turn)
  }
  // What is no tile is asked by the dive alone.
  if (made.type === 'open' && !onBoard(puzzle, made.item) && !play.met[made.item]) return { play }
  const step = questionMoved(rulesOf(puzzle), play, made, turn)
  if (made.type !== 'close' || step.play.open) return step
  // A dive that nobody answered has not begun.
  const after =
    step.play.dive !== null && step.play.met[step.play.dive] === null ? { ...step.play, dive: null } : step.play
  const isOver = tilesLeft(puzzle, after) === 0 && !canDive(puzzle, after)
  return { ...step, play: after, isOver: isOver && play.open !== null && !play.open.again }
}

function onBoard({ columns }: QuizboardPuzzle, item: number): boolean {
  return columns.some(({ items }) => items.includes(item))
}

function tilesLeft({ columns }: QuizboardPuzzle, { met }: QuizboardPlay): number {
  return columns.reduce((sum, { items }) => sum + items.filter((item) => met[item] === null).length, 0)
}

/** Returns the hardest question that was not met; of equals the first. */
function hardestUnmet({ questions }: QuizboardPuzzle, { met }: QuizboardPlay): number | undefined {
  return questions
    .map(({ hardness }, item) => ({ item, hardness }))
    .filter(({ item }) => met[item] === null)
    .sort((one, other) => other.hardness - one.hardness)[0]?.item
}

function canDive(puzzle: QuizboardPuzzle, play: QuizboardPlay): boolean {
  return puzzle.dive && play.dive === null && hardestUnmet(puzzle, play) !== undefined
}

export function view(puzzle: QuizboardPuzzle, play: QuizboardPlay, sight: Sight): QuizboardView | DeviceView {
  return deviceView(puzzle, play, sight) ?? wallView(puzzle, play, sight)
}

function wallView(puzzle: QuizboardPuzzle, play: QuizboardPlay, { audience, rules }: Sight): QuizboardView {
  const { open, met, dive } = play
  const question = questionView(play, puzzle.questions, { audience, hints: rules.hints, tries: MOST_TEAMS })
  return {
    columns: puzzle.columns.map(({ name, items }) => ({
      name,
      tiles: items.map((item) => ({
        item,
        value: puzzle.questions[item]!.value,
        state: open?.item === item ? 'open' : met[item] ? 'used' : 'there',
        team: met[item]?.find(({ outcome }) => outcome === 'right')?.team ?? null,
      })),
    })),
    question,
    value: open ? (open.item === dive ? DIVE_POINTS : puzzle.questions[open.item]!.value) : 0,
    isDive: open !== null && open.item === dive,
    canDive: !open && canDive(puzzle, play),
    left: tilesLeft(puzzle, play),
    teams: turnsShown(play.teams),
    finished: play.finishedAt !== null,
  }
}

const finish: QuizboardCourse['finish'] = (puzzle, play, turn) =>
  play.device
    ? finishDevice(puzzle, play, turn)
    : { play: { ...play, open: null, teams: { ...play.teams, timer: null } } }

const score: QuizboardCourse['score'] = (puzzle, play, shared) =>
  deviceScore(puzzle, play, shared) ?? questionScore(play, puzzle.questions.length)

function doing(puzzle: QuizboardPuzzle, play: QuizboardPlay): Doing {
  if (play.device) return deviceDoing(puzzle, play.device)
  return play.open && play.open.item === play.dive
    ? { code: 'dive', values: {} }
    : { code: 'board', values: { left: tilesLeft(puzzle, play) } }
}

export const course: QuizboardCourse = {
  hints: ['hint'],
  teamsIn: ({ teams }) => teams,
  start,
  move,
  follow,
  finish,
  score,
  doing,
}
