import type { Choice } from './entry.ts'

/** Signs by which a choice is marked as right, before or after it. */
const MARK = /^\s*(?:[*✓✔☑]|\((?:x|X)\)|\[(?:x|X)\])\s*|\s*[*✓✔☑]\s*$/u

/**
 * Returns the answer and the other choices of a row that names its choices: the right one is told by a cell of its own
 * (its letter, its number or its text; several of them), by a mark on it, or by a look that others lack. Where nothing
 * tells, none is right.
 *
 * @param looks how the cells look, in their order
 */
export function choicesTold(
  cells: readonly string[],
  told: string,
  looks: readonly (string | undefined)[] = [],
): { answer: string; choices: Pick<Choice, 'text' | 'right'>[] } {
  if (cells.length === 0) return { answer: told, choices: [] }
  const texts = cells.map((cell) => cell.replace(MARK, '').trim() || cell)
  const marked = cells.flatMap((cell, place) => (texts[place] !== cell ? [place] : []))
  const right = told !== '' ? placesTold(texts, told) : marked.length > 0 ? marked : placesSeen(texts, looks)
  // What is no choice is an answer of its own, beside wrong ones.
  if (right.length === 0) return { answer: told, choices: texts.map((text) => ({ text, right: false })) }
  const [first, ...more] = right
  return {
    answer: texts[first!]!,
    choices: texts.flatMap((text, place) => (place === first ? [] : [{ text, right: more.includes(place) }])),
  }
}

/** Returns the places of the choices that look otherwise than most of them, or, of two, than plain ones. */
function placesSeen(texts: readonly string[], looks: readonly (string | undefined)[]): number[] {
  const seen = texts.map((_, place) => looks[place] ?? '')
  const count = (look: string): number => seen.filter((one) => one === look).length
  const usual = [...new Set(seen)].reduce((best, look) =>
    count(look) > count(best) || (count(look) === count(best) && look === '') ? look : best,
  )
  const others = seen.flatMap((look, place) => (look === usual ? [] : [place]))
  return others.length * 2 <= texts.length ? others : []
}

/** Returns the places of the choices that a cell tells: by text, by letters, or by numbers. */
function placesTold(texts: readonly string[], told: string): number[] {
  const same = (one: string, other: string): boolean => one.toLowerCase() === other.toLowerCase()
  const whole = texts.findIndex((text) => same(text, told.replace(MARK, '').trim()))
  if (whole >= 0) return [whole]
  const places = told
    .split(/\s*[,;/&+]\s*|\s+(?:and|y|et|und|e)\s+|\s+/u)
    .filter((part) => part !== '')
    .map((part) => placeTold(texts, part.replace(/^\(|[.):]+$/gu, '')))
  return places.every((place) => place >= 0) ? [...new Set(places)] : []
}

function placeTold(texts: readonly string[], part: string): number {
  const place = /^[a-h]$/iu.test(part)
    ? part.toLowerCase().charCodeAt(0) - 97
    : /^\d$/u.test(part)
      ? Number(part) - 1
      : texts.findIndex((text) => text.toLowerCase() === part.toLowerCase())
  return place < texts.length ? place : -1
}

/**
 * Returns the points of a cell such as "10", "1.5" or "10 pts", rounded; null for an empty one, undefined for one that
 * is none, or too large.
 */
export function numberTold(text: string, most: number): number | null | undefined {
  if (text === '') return null
  const [, digits] = /^(\d{1,6}(?:[.,]\d+)?)\s*(?:\p{L}{1,8}\.?)?$/u.exec(text.trim()) ?? []
  const number = digits === undefined ? NaN : Math.round(Number(digits.replace(',', '.')))
  return number >= 0 && number <= most ? number : undefined
}

/** Returns the seconds of a cell such as "15", "15 s", "0:30" or "2 min"; null for an empty one, undefined for none. */
export function secondsTold(text: string, most: number): number | null | undefined {
  const clock = /^(\d{1,2}):(\d{2})$/u.exec(text.trim())
  const minutes = /^(\d{1,3}(?:[.,]\d+)?)\s*m(?:in\p{L}*)?\.?$/iu.exec(text.trim())
  const seconds = clock
    ? Number(clock[1]) * 60 + Number(clock[2])
    : minutes
      ? Math.round(Number(minutes[1]!.replace(',', '.')) * 60)
      : numberTold(text, most)
  return seconds === 0 || (typeof seconds === 'number' && seconds > most) ? undefined : seconds
}
