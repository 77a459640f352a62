import type { EntryList } from '../../list/entry.ts'
import { directionOf } from '../../text/direction.ts'
import { alphabetFor } from '../../text/alphabets.ts'
import { gridLetters } from '../../text/gridLetters.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { SCENE_MISSES, type HangmanOptions } from './options.ts'
import type { HangmanPuzzle } from './puzzle.ts'
import { prepareWords, styleOf } from './words.ts'

/** Tells whether a list has words to guess. */
export function fit(list: EntryList, options: HangmanOptions): Fit {
  const { words, notes } = prepareWords(list, options)
  const ready = words.length > 0
  return {
    ready,
    summary: { code: ready ? 'ready' : 'no-words', entryIds: [], values: { count: words.length } },
    notes,
  }
}

/** Makes a round. Throws a PuzzleError where no word can be guessed. */
export function make(list: EntryList, options: HangmanOptions): HangmanPuzzle {
  const { words } = prepareWords(list, options)
  if (words.length === 0) throw new PuzzleError({ code: 'no-words', entryIds: [], values: {} })
  const style = styleOf(list, options)
  const used = new Set(words.flatMap(({ characters }) => characters.flatMap(({ letter }) => letter ?? [])))
  const alphabet = new Set([...gridLetters(alphabetFor(used), style), ...used])
  return {
    words,
    style,
    scene: options.scene,
    misses: options.misses ?? SCENE_MISSES[options.scene],
    // Not by the machine's own collation: the same list must give the same puzzle everywhere.
    alphabet: [...alphabet].sort((one, two) => (one < two ? -1 : 1)),
    direction: directionOf(words.map(({ text }) => text).join(' ')),
    clue: options.clue,
    order: options.order,
    freeLetters: options.freeLetters,
    teams: options.teams,
  }
}
