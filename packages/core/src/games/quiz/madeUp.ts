import type { Random } from '../../random/random.ts'
import { rudeWords } from '../../text/blockList.ts'
import { thingName, type Things } from '../../text/things.ts'

/** How far from a number others are made up, at most, and as a share of it. */
const NEAR = 12
const SHARE = 0.15
/** One number, with what stands before it and behind: a sign, a unit. */
const NUMBER = /^([^\p{L}\p{N}]*)(\d{1,9})(?:([.,])(\d{1,4}))?((?!st|nd|rd|th)\P{N}{0,20})$/u
/** Most that are made up for one answer, before those that would be right too are left out. */
const MOST = 16

/** Returns other things of the same kind as an answer names, worded as it is: with its article and its capital. */
export function thingsBeside(answer: string, things: Things): string[] {
  const name = thingName(answer)
  const [, article = ''] = /^(an?|the)\s/iu.exec(answer.trim()) ?? []
  const isCapital = /^\p{Lu}/u.test(answer.trim())
  const kind = things.get(name)?.beside.filter((other) => !rudeWords('en').has(other)) ?? []
  return kind.slice(0, MOST).map((other) => {
    const before = article.toLowerCase().startsWith('a') ? (/^[aeiou]/u.test(other) ? 'an ' : 'a ') : article && 'the '
    const worded = before + other
    return isCapital ? worded[0]!.toUpperCase() + worded.slice(1) : worded
  })
}

/**
 * Returns numbers that are near to an answer, in its own shape: with as many digits behind the point, its unit, and no
 * sign that it has not. Nothing where it is no number, or one of several.
 */
export function numbersBeside(answer: string, random: Random): string[] {
  const [, before, digits, point = '', behind = '', after] = NUMBER.exec(answer.trim()) ?? []
  if (before === undefined || digits === undefined || after === undefined || (digits[0] === '0' && digits !== '0'))
    return []
  const whole = Number(digits + behind)
  const far = Math.max(3, Math.min(NEAR, Math.round(whole * SHARE)))
  const near = [
    ...random.shuffled(Array.from({ length: far }, (_, index) => index + 1)).flatMap((by) => [whole + by, whole - by]),
    whole + 10,
    whole - 10,
  ]
  return [...new Set(near)]
    .filter((number) => number > 0)
    .map((number) => {
      const text = String(number).padStart(behind.length + 1, '0')
      const cut = text.length - behind.length
      return before + text.slice(0, cut) + point + text.slice(cut) + after
    })
    .slice(0, MOST)
}
