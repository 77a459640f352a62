import { freePlace, patternLines } from './patterns.ts'
import type { BingoPuzzle } from './puzzle.ts'

/** What a claim comes to: a bingo, with its squares and the call that completed it; or what is still missing. */
export interface Claim {
  won: boolean
  /** Squares of the lines that won; of the nearest line where none did. */
  places: number[]
  /** Call that completed the bingo, from 1; 0 where none did. */
  call: number
  /** Squares of the nearest line that were not called. */
  missing: number[]
}

/** Checks a card against the calls made so far. */
export function checkClaim(
  { size, pattern, cards, calls }: BingoPuzzle,
  cardNumber: number,
  called: number,
): Claim | undefined {
  const card = cards.find(({ number }) => number === cardNumber)
  if (!card) return undefined
  const free = freePlace(size, card.cells.includes(null)) >= 0
  const { lines, needed } = patternLines(pattern, size, free)
  const callOf = new Map(calls.slice(0, called).map((term, index) => [term, index + 1]))
  const judged = lines
    .map((line) => {
      const missing = line.filter((place) => !callOf.has(card.cells[place] ?? -1))
      return {
        line,
        missing,
        call:
          missing.length > 0 ? Infinity : Math.max(...line.map((place) => callOf.get(card.cells[place] ?? -1) ?? 0)),
      }
    })
    .sort((one, two) => one.call - two.call || one.missing.length - two.missing.length)
  const deciding = judged.slice(0, needed)
  const won = deciding.every(({ missing }) => missing.length === 0)
  return {
    won,
    places: [...new Set(deciding.flatMap(({ line }) => line))],
    call: won ? deciding[deciding.length - 1]!.call : 0,
    missing: [...new Set(deciding.flatMap(({ missing }) => missing))],
  }
}
