import type { EntryList } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { directionOf } from '../../text/direction.ts'
import { PuzzleError } from '../contract.ts'
import { ACROSS, DOWN, SIDE, type Placing } from './lattice.ts'
import { EFFORT, type CrosswordOptions } from './options.ts'
import type { CrosswordPuzzle, CrosswordWord } from './puzzle.ts'
import { LayoutSearch } from './search.ts'
import { prepareWords, styleOf, type Word } from './words.ts'

/** A crossword in the making: it can be looked at, and looked for further. */
export interface CrosswordSearch {
  /** Steps done so far. */
  readonly steps: number
  /** Goes on until so many steps are done in all, or a few more. */
  advance(steps: number): void
  /** The best crossword so far. */
  puzzle(): CrosswordPuzzle
}

/** Begins the search for a crossword. Throws a PuzzleError where no two words cross. */
export function searchCrossword(list: EntryList, options: CrosswordOptions, random: Random): CrosswordSearch {
  const { words, unplaced } = prepareWords(list, options)
  if (words.length < 2) throw new PuzzleError({ code: 'no-words', entryIds: [], values: {} })
  const codes = new Map<string, number>()
  const rows = words.map(({ letters }) =>
    Uint16Array.from(letters, (letter) => {
      const code = codes.get(letter) ?? codes.size
      codes.set(letter, code)
      return code
    }),
  )
  const search = new LayoutSearch(rows, options.aim, options.shape, random, pinsOf(words, options))
  return {
    get steps() {
      return search.steps
    },
    advance: (steps) => search.advance(steps),
    puzzle: () => puzzleOf(words, unplaced, list, options, search),
  }
}

/**
 * Steps between two looks at what was found; and, for each word, steps without a better layout after which none is to
 * be hoped for.
 */
const LOOK = 50_000
const PATIENCE = 100_000

/**
 * Makes a crossword with the steps that the options name. The quick search ends sooner where nothing better has come
 * for long: short lists need a fraction of it. A number of steps that was chosen for its layout is gone to the end.
 */
export function make(list: EntryList, options: CrosswordOptions, random: Random): CrosswordPuzzle {
  const search = searchCrossword(list, options, random)
  if (options.steps !== EFFORT.quick) search.advance(options.steps)
  let best = search.steps === 0 ? undefined : search.puzzle()
  for (let since = 0; search.steps < options.steps && since < PATIENCE * list.entries.length;) {
    const before = search.steps
    search.advance(Math.min(options.steps, before + LOOK))
    const now = search.puzzle()
    since = best && isAsGood(best, now) ? since + search.steps - before : 0
    best = now
  }
  return search.puzzle()
}

function isAsGood(one: CrosswordPuzzle, other: CrosswordPuzzle): boolean {
  return (
    one.rows * one.cols === other.rows * other.cols &&
    one.words.length === other.words.length &&
    one.crossings === other.crossings
  )
}

/** Returns the pinned words as placings in the middle of the lattice; those that no longer go together are let go. */
function pinsOf(words: readonly Word[], { pins }: CrosswordOptions): Placing[] {
  const placings: Placing[] = []
  const taken = new Map<string, string>()
  for (const { entryId, row, col, dir } of pins) {
    const word = words.findIndex(({ entry }) => entry.id === entryId)
    if (word < 0 || placings.some((placing) => placing.word === word)) continue
    const cells = words[word]!.letters.map((letter, index) => ({
      letter,
      key: dir === 'across' ? `${row} ${col + index}` : `${row + index} ${col}`,
    }))
    const end = dir === 'across' ? col + cells.length : row + cells.length
    if (end > SIDE - 12 || cells.some(({ letter, key }) => (taken.get(key) ?? letter) !== letter)) continue
    for (const { letter, key } of cells) taken.set(key, letter)
    placings.push({ word, start: (row + 6) * SIDE + col + 6, direction: dir === 'across' ? ACROSS : DOWN })
  }
  return placings
}

function puzzleOf(
  words: readonly Word[],
  left: CrosswordPuzzle['unplaced'],
  list: EntryList,
  options: CrosswordOptions,
  search: LayoutSearch,
): CrosswordPuzzle {
  const { placings, crossings } = search.best
  const top = Math.min(...placings.map(({ start }) => start >> 6))
  const first = Math.min(...placings.map(({ start }) => start & 63))
  const laid = placings.map(({ word, start, direction }): CrosswordWord => {
    const { entry, text, letters, pattern } = words[word]!
    return {
      entryId: entry.id,
      text,
      letters: [...letters],
      pattern,
      prompt: entry.prompt,
      hint: entry.hint,
      fact: entry.fact,
      row: (start >> 6) - top,
      col: (start & 63) - first,
      dir: direction === ACROSS ? 'across' : 'down',
      number: 0,
    }
  })
  laid.sort((one, other) => one.row - other.row || one.col - other.col || (one.dir === 'across' ? -1 : 1))
  let number = 0
  laid.forEach((word, index) => {
    const before = laid[index - 1]!
    word.number = index > 0 && before.row === word.row && before.col === word.col ? number : ++number
  })
  const unplaced = [...left]
  for (const [index, { entry, text }] of words.entries()) {
    if (!placings.some(({ word }) => word === index)) unplaced.push({ entryId: entry.id, text, why: 'no-place' })
  }
  return {
    rows: Math.max(...laid.map(({ row, dir, letters }) => (dir === 'down' ? row + letters.length : row + 1))),
    cols: Math.max(...laid.map(({ col, dir, letters }) => (dir === 'across' ? col + letters.length : col + 1))),
    direction: directionOf(laid.map(({ text }) => text).join(' ')),
    style: styleOf(list, options),
    words: laid,
    unplaced,
    crossings,
    steps: search.steps,
    background: options.background,
  }
}
