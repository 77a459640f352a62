import type { EntryList } from '../../list/entry.ts'
import type { Fit, FitNote } from '../contract.ts'
import type { CrosswordOptions } from './options.ts'
import { prepareWords } from './words.ts'

/** Tells whether a list can become a crossword, without laying a word. */
export function fit(list: EntryList, options: CrosswordOptions): Fit {
  const { words, unplaced } = prepareWords(list, options)
  const notes: FitNote[] = unplaced.map(({ entryId, text, why }) => ({
    code: why,
    entryIds: [entryId],
    values: { text },
  }))
  const ready = words.length >= 2
  return {
    ready,
    summary: { code: ready ? 'ready' : 'no-words', entryIds: [], values: { count: words.length } },
    notes,
  }
}
