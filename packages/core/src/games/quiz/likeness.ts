import type { Entry } from '../../list/entry.ts'
import { amountOf, hasArticle } from '../../text/judging/meanings.ts'

/** What can be seen of an answer at a glance. */
export interface Look {
  isCapital: boolean
  hasArticle: boolean
  hasDigits: boolean
  isShort: boolean
  isSeveral: boolean
  unit: string
}

/** An answer, with what makes it easy to mistake for another. */
export interface Candidate {
  entry: Entry
  look: Look
  length: number
  words: number
  ending: string
  /** Its value, where it is a number. */
  value: number | undefined
}

/** Why an answer was drawn beside another. */
export type Reason = 'group' | 'value' | 'form' | 'length' | 'any' | 'dictionary' | 'number'

export function candidateOf(entry: Entry, language: string): Candidate {
  const text = entry.answer.text.trim()
  const amount = amountOf(text, language)
  const words = text.split(/\s+/u).length
  return {
    entry,
    length: text.length,
    words,
    ending: text.slice(-2).toLowerCase(),
    value: amount?.value,
    look: {
      isCapital: /^\p{Lu}/u.test(text),
      hasArticle: hasArticle(text, language),
      hasDigits: /\p{Nd}/u.test(text),
      isShort: text.length <= 3,
      isSeveral: words > 1,
      unit: amount?.unit ?? '',
    },
  }
}

function shareGroup(one: Candidate, two: Candidate): boolean {
  return one.entry.groups.some((group) => two.entry.groups.includes(group))
}

/** Returns how near two numbers are, from 0 to 1. */
function nearness(one: number, two: number): number {
  const away = Math.abs(one - two) / Math.max(Math.abs(one), Math.abs(two), 1)
  return 1 - Math.min(1, away * 2)
}

/** Returns how easily an answer is taken for another; higher is easier. */
export function likeness(one: Candidate, two: Candidate): number {
  const areNumbers = one.value !== undefined && two.value !== undefined
  return (
    (shareGroup(one, two) ? 6 : 0) +
    (areNumbers
      ? 3 + 6 * nearness(one.value!, two.value!)
      : (one.value === undefined) === (two.value === undefined)
        ? 3
        : -3) +
    (one.look.unit === two.look.unit ? 1.5 : 0) +
    (one.look.isCapital === two.look.isCapital ? 1.5 : 0) +
    (one.look.hasArticle === two.look.hasArticle ? 1.5 : 0) +
    (one.words === two.words ? 1.5 : 0) +
    (one.ending === two.ending ? 1.5 : 0) -
    Math.min(3, Math.abs(one.length - two.length) / 3)
  )
}

/** Returns what an answer has most in common with the one beside which it was drawn. */
export function reasonFor(one: Candidate, two: Candidate): Reason {
  if (one.value !== undefined && two.value !== undefined && nearness(one.value, two.value) > 0.4) return 'value'
  if (shareGroup(one, two)) return 'group'
  if (one.ending === two.ending || (one.look.hasArticle && two.look.hasArticle)) return 'form'
  return Math.abs(one.length - two.length) <= 2 ? 'length' : 'any'
}

const SEEN: readonly (keyof Look)[] = ['isCapital', 'hasArticle', 'hasDigits', 'isShort', 'isSeveral', 'unit']

/** Returns what can be seen of an answer that none of the others has: it would tell which is right. */
export function givenAway(right: Look, others: readonly Look[]): (keyof Look)[] {
  return others.length === 0 ? [] : SEEN.filter((feature) => others.every((other) => other[feature] !== right[feature]))
}
