import type { Entry, EntryList } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { hardnessOf } from '../../list/hardness.ts'
import { quizFor } from '../quiz/make.ts'
import { QuizOptions } from '../quiz/options.ts'
import type { QuizPuzzle } from '../quiz/puzzle.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import type { LookedUp } from '../lookup.ts'
import { columnsOf } from './columns.ts'
import { FEWEST_TILES, type QuizboardOptions } from './options.ts'
import type { BoardQuestion, QuizboardPuzzle } from './puzzle.ts'

/** Points of the places of a column, from shallow to deep. */
const DEPTHS = [10, 20, 30, 40, 60, 80]
/** Points of the dive that closes a game. */
export const DIVE_POINTS = 100

/** Tells which columns a list makes, and what they lack. */
export function fit(list: EntryList, options: QuizboardOptions): Fit {
  const { columns, notes } = columnsOf(list, options)
  const count = columns.reduce((sum, { entries }) => sum + entries.length, 0)
  const ready = count >= FEWEST_TILES
  return {
    ready,
    summary: ready
      ? { code: 'ready', entryIds: [], values: { columns: columns.length, count } }
      : { code: 'too-few', entryIds: [], values: { count: FEWEST_TILES - count } },
    notes: [
      ...notes,
      ...untried(
        list,
        columns.flatMap(({ entries }) => entries),
        options,
      ),
    ],
  }
}

/** Says how many questions lie where an estimate puts them. */
function untried(list: EntryList, entries: readonly Entry[], { depth }: QuizboardOptions): Fit['notes'] {
  if (depth !== 'proved') return []
  const count = entries.filter((entry) => !hardnessOf(entry, list.proved?.[entry.id]).proved).length
  return count > 0 && count < entries.length ? [{ code: 'untried', entryIds: [], values: { count } }] : []
}

/** Lays the board. Throws a PuzzleError where there are fewer than three questions. */
export function make(list: EntryList, options: QuizboardOptions, random: Random, known?: LookedUp): QuizboardPuzzle {
  const { columns, rest } = columnsOf(list, options)
  const { summary, ready } = fit(list, options)
  if (!ready) throw new PuzzleError(summary)
  const questions: BoardQuestion[] = []
  const question = (entry: Entry, value: number): number => {
    const { id: entryId, prompt, answer, hint, fact } = entry
    questions.push({ entryId, prompt, answer, hint, fact, value, ...hardnessOf(entry, list.proved?.[entryId]) })
    return questions.length - 1
  }
  const laid = columns.map(({ name, entries }) => ({
    name,
    items: sunk(list, entries, options).map((entry, place) =>
      question(entry, options.depth === 'worth' ? (entry.worth ?? DEPTHS[place]!) : DEPTHS[place]!),
    ),
  }))
  const hardest = [...rest].sort((one, other) => hardness(list, other) - hardness(list, one))[0]
  if (options.dive && hardest) question(hardest, DIVE_POINTS)
  const { wrong, dive, seconds, teams, depth } = options
  const onDevices = forDevices(list, questions, options, random, known)
  return { questions, columns: laid, onDevices, wrong, dive, seconds, teams, depth }
}

/** A quiz in which no question of a board is asked. */
export const NONE_ON_DEVICES: QuizPuzzle = {
  questions: [],
  speed: 'off',
  accents: 'folded',
  cards: false,
  second: false,
  pass: 0,
  language: '',
}

/** Returns the questions of a board as a quiz that asks them once, each for what it is worth on the board. */
function forDevices(
  list: EntryList,
  questions: readonly BoardQuestion[],
  { form, seconds }: QuizboardOptions,
  random: Random,
  known?: LookedUp,
): QuizPuzzle {
  const byId = new Map(list.entries.map((entry) => [entry.id, entry]))
  const entries = questions.map(({ entryId }) => byId.get(entryId)!)
  const quiz = quizFor(list, entries, QuizOptions.parse({ form, seconds, second: false }), random, known)
  return { ...quiz, questions: quiz.questions.map((asked, item) => ({ ...asked, worth: questions[item]!.value })) }
}

function hardness(list: EntryList, entry: Entry): number {
  return hardnessOf(entry, list.proved?.[entry.id]).hardness
}

/** Returns the entries of a column from shallow to deep; of equals, the first of the list lies higher. */
function sunk(list: EntryList, entries: readonly Entry[], { depth, laid }: QuizboardOptions): Entry[] {
  if (laid.length > 0) return [...entries]
  const depthOf = (entry: Entry): number => (depth === 'worth' ? (entry.worth ?? 0) : hardness(list, entry))
  return [...entries].sort((one, other) => depthOf(one) - depthOf(other))
}
