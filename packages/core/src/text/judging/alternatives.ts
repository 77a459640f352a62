import { isChemical } from './chemistry.ts'
import { isFormula } from './formulas.ts'
import { unitOf } from './units.ts'

/** Most ways to read one accepted answer. */
const MOST = 12
const BRACKETS = /\s*[([]([^()[\]]+)[)\]]/u
const SLASHED = /(\p{L}[\p{L}\p{M}'-]*)\s*\/\s*(-?\p{L}[\p{L}\p{M}'-]*)/u

/**
 * Returns an accepted answer with all that counts in its stead: brackets hold what may be left out, as in “color (US)” or
 * “amigo(a)”; slashes part what may stand there, as in “he/she” or “hermano/a”. Formulas and units stay as they are.
 */
export function alternativesOf(accepted: string): string[] {
  if (isFormula(accepted) || isChemical(accepted) || !/[([/]/u.test(accepted)) return [accepted]
  const made = new Set<string>([accepted])
  const grow = (text: string): void => {
    if (made.size > MOST) return
    for (const next of [...withoutBrackets(text), ...withoutSlash(text)])
      if (next !== '' && !made.has(next)) {
        made.add(next)
        grow(next)
      }
  }
  grow(accepted)
  return [...made]
}

function withoutBrackets(text: string): string[] {
  const found = BRACKETS.exec(text)
  if (!found) return []
  const [whole, inner] = [found[0], found[1]!]
  const before = text.slice(0, found.index)
  const after = text.slice(found.index + whole.length)
  const space = /^\s/u.test(whole) ? ' ' : ''
  const left = `${before}${after}`.replace(/\s+/gu, ' ').trim()
  // Nothing but brackets: they are part of it.
  if (left === '') return []
  const kept = inner.startsWith('-') ? inner.slice(1) : inner
  return [
    left,
    `${before}${space}${kept}${after}`.trim(),
    ...(space === '' ? ended(before, kept).map((word) => word + after) : []),
  ]
}

function withoutSlash(text: string): string[] {
  const found = SLASHED.exec(text)
  if (!found || unitOf(found[0].replace(/\s/gu, '')) !== undefined) return []
  const [whole, one, other] = [found[0], found[1]!, found[2]!]
  const put = (word: string): string => text.slice(0, found.index) + word + text.slice(found.index + whole.length)
  const isEnding = other.startsWith('-') || (!/\s/u.test(whole) && other.length <= 3 && one.length > other.length + 1)
  const ending = other.replace(/^-/u, '')
  return [put(one), ...(isEnding ? ended(one, ending).map(put) : []), ...(other.startsWith('-') ? [] : [put(other)])]
}

const VOWEL = /[aeiouáéíóúàèìòùäöüâêîôû]$/iu

/** Returns a word with another ending: in the place of its vowel, or of as much as it has in common, or after it. */
function ended(text: string, ending: string): string[] {
  const word = /[\p{L}\p{M}'-]+$/u.exec(text)?.[0] ?? ''
  const head = text.slice(0, text.length - word.length)
  if (word === '') return []
  const made = [word + ending]
  if (VOWEL.test(word) && VOWEL.test(ending[0] ?? '')) made.push(word.slice(0, -1) + ending)
  const common = word.lastIndexOf(ending[0]!)
  if (common > 0 && ending.length > 1) made.push(word.slice(0, common) + ending)
  return made.map((one) => head + one)
}
