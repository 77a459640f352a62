import { faceKey } from '../../list/checks/faceKey.ts'
import { acceptedOf, isEmptyEntry, USUAL_WORTH, type Entry, type EntryList } from '../../list/entry.ts'
import { isEmptyFace } from '../../list/face.ts'
import type { Random } from '../../random/random.ts'
import { PuzzleError, type Fit, type FitNote } from '../contract.ts'
import { lookup } from './lookup.ts'
import type { QuizOptions } from './options.ts'
import type { QuizChoice, QuizPuzzle, QuizQuestion } from './puzzle.ts'
import type { LookedUp } from '../lookup.ts'
import { ENOUGH, WrongChoices } from './wrongChoices.ts'

const MOST_CHOICES = 6

/** Returns the entries that can be asked, and why others can't. */
function askable(list: EntryList, form: QuizOptions['form']): { entries: Entry[]; notes: FitNote[] } {
  const notes: FitNote[] = []
  const answers = new Set(
    list.entries
      .filter(({ answer }) => !isEmptyFace(answer))
      .map(({ answer }) => answer.text.trim().toLowerCase() || answer.picture?.id),
  )
  const seen = new Set<string>()
  const entries = list.entries.filter((entry) => {
    if (isEmptyEntry(entry)) return false
    const { id, prompt, answer, choices, scored } = entry
    const given = [...(isEmptyFace(answer) ? [] : [answer]), ...choices].length
    const why = isEmptyFace(prompt)
      ? 'no-question'
      : !scored
        ? given < 2
          ? 'no-choices'
          : undefined
        : isEmptyFace(answer)
          ? 'no-answer'
          : form === 'typed' && answer.text.trim() === ''
            ? 'not-typed'
            : form !== 'typed' && given < 2 && answers.size < 2
              ? 'no-choices'
              : undefined
    const key = `${faceKey(prompt)}\u0001${faceKey(answer)}`
    const repeats = why === undefined && seen.has(key)
    if (repeats)
      notes.push({ code: 'repeat', entryIds: [id], values: { text: answer.text.trim() || prompt.text.trim() } })
    seen.add(key)
    if (why) notes.push({ code: why, entryIds: [id], values: { text: answer.text.trim() || prompt.text.trim() } })
    return why === undefined && !repeats
  })
  return { entries, notes }
}

/** Tells whether a list can be asked. */
export function fit(list: EntryList, { form }: QuizOptions): Fit {
  const { entries, notes } = askable(list, form)
  const few = form === 'typed' ? undefined : fewAnswers(list, entries)
  if (few) notes.push(few)
  return {
    ready: entries.length > 0,
    summary: {
      code: entries.length > 0 ? 'ready' : 'no-questions',
      entryIds: [],
      values: { count: entries.length },
    },
    notes,
  }
}

/** Returns that wrong choices come from elsewhere, or are few, where the list has not enough answers. */
function fewAnswers(list: EntryList, entries: readonly Entry[]): FitNote | undefined {
  const drawn = entries.filter(({ scored, choices, answer }) => scored && choices.length === 0 && answer.text.trim())
  const count = new Set(list.entries.map(({ answer }) => answer.text.trim().toLowerCase()).filter(Boolean)).size
  if (drawn.length === 0 || count > ENOUGH) return undefined
  const { names } = lookup(list).things
  const canAdd = names.length > 0 || drawn.some(({ answer }) => /\d/u.test(answer.text))
  return { code: canAdd ? 'topped-up' : 'few-answers', entryIds: [], values: { count } }
}

/** Makes the questions. Throws a PuzzleError where there are none. */
export function make(list: EntryList, options: QuizOptions, random: Random, known?: LookedUp): QuizPuzzle {
  const { entries } = askable(list, options.form)
  if (entries.length === 0) throw new PuzzleError({ code: 'no-questions', entryIds: [], values: {} })
  return quizFor(list, ordered(entries, options.order, random), options, random, known)
}

/** Returns a quiz of some entries of a list, in the order in which they are given. */
export function quizFor(
  list: EntryList,
  entries: readonly Entry[],
  options: QuizOptions,
  random: Random,
  known?: LookedUp,
): QuizPuzzle {
  const wrong = new WrongChoices(list, known?.things)
  const { speed, accents, cards, second, pass, articles, slips, variants, scripts, named } = options
  return {
    questions: entries.map((entry) => questionOf(entry, options, wrong, random)),
    speed,
    accents,
    cards,
    second,
    pass,
    language: list.answerLanguage,
    judging: { articles, slips, variants, scripts, count: named },
    others: [...new Set([...list.entries.flatMap(acceptedOf), ...(list.beside ?? [])])],
  }
}

function ordered(entries: readonly Entry[], order: QuizOptions['order'], random: Random): Entry[] {
  if (order === 'list') return [...entries]
  if (order === 'random') return random.shuffled(entries)
  const mains = [...new Set(entries.map(({ groups: [main] }) => main))]
  return mains.flatMap((group) => random.shuffled(entries.filter(({ groups: [main] }) => main === group)))
}

function questionOf(entry: Entry, options: QuizOptions, wrong: WrongChoices, random: Random): QuizQuestion {
  const { id: entryId, prompt, answer, hint, fact, scored } = entry
  const [group] = entry.groups
  const wished = formOf(entry, options.form, random)
  const choices =
    wished === 'typed'
      ? []
      : wished === 'true-false'
        ? claimOf(entry, wrong, random)
        : choicesOf(entry, options.choices, wrong, random)
  // Where nothing in the list is wrong here, there is nothing to choose: then it is typed.
  const form =
    wished === 'choice' && scored && choices.every(({ right }) => right) && answer.text.trim() !== '' ? 'typed' : wished
  return {
    entryId,
    form,
    prompt,
    answer,
    hint,
    fact,
    scored,
    choices: form === 'typed' ? [] : choices,
    accepted: acceptedOf(entry),
    seconds: entry.seconds ?? options.seconds,
    worth: scored ? (entry.worth ?? USUAL_WORTH) : 0,
    ...(group !== undefined && { group }),
  }
}

/** An opinion, and a question with several right choices, can only be chosen; what is no text can't be typed. */
function formOf({ answer, choices, scored }: Entry, form: QuizOptions['form'], random: Random): QuizQuestion['form'] {
  const several = choices.some(({ right }) => right)
  const possible: QuizQuestion['form'][] =
    !scored || (several && form !== 'typed')
      ? ['choice']
      : answer.text.trim() === ''
        ? ['choice', 'true-false']
        : ['choice', 'typed', 'true-false']
  if (form === 'mixed') return possible[random.below(possible.length)]!
  return possible.includes(form) ? form : 'choice'
}

function choicesOf(entry: Entry, count: number, wrong: WrongChoices, random: Random): QuizChoice[] {
  const { answer, choices, scored } = entry
  const right = [
    ...(isEmptyFace(answer) ? [] : [{ face: answer, right: scored }]),
    ...choices.filter((choice) => choice.right).map((choice) => ({ face: faceOf(choice), right: scored })),
  ]
  const written = choices.filter((choice) => !choice.right).map((choice) => ({ face: faceOf(choice), right: false }))
  const drawn =
    written.length > 0 || !scored
      ? written
      : wrong.draw(entry, count - 1, random).map(({ face }) => ({ face, right: false }))
  return random.shuffled([
    ...right.slice(0, MOST_CHOICES - 1),
    ...random.shuffled(drawn).slice(0, MOST_CHOICES - Math.min(right.length, MOST_CHOICES - 1)),
  ])
}

/** Returns what is claimed: the answer, or a wrong one, as chance has it. */
function claimOf(entry: Entry, wrong: WrongChoices, random: Random): QuizChoice[] {
  const written = entry.choices.filter(({ right }) => !right).map(faceOf)
  const others = written.length > 0 ? written : wrong.draw(entry, 3, random).map(({ face }) => face)
  const isTrue = others.length === 0 || random.below(2) === 0
  return [{ face: isTrue ? entry.answer : others[random.below(others.length)]!, right: isTrue }]
}

function faceOf({ text, picture, sound }: QuizChoice['face']): QuizChoice['face'] {
  return { text, ...(picture ? { picture } : {}), ...(sound ? { sound } : {}) }
}
