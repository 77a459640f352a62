import { MAX_SIDE } from '../../grid/letterGrid.ts'
import type { EntryList } from '../../list/entry.ts'
import { gridLetters } from '../../text/gridLetters.ts'
import type { Fit, FitNote } from '../contract.ts'
import { lengthsThatFit } from './message.ts'
import type { WordSearchOptions } from './options.ts'
import type { UnplacedReason } from './puzzle.ts'
import { automaticSide } from './size.ts'
import { lettersTooMany, prepareWords } from './words.ts'

/** Of a grid's cells: more letters than this can't be laid, however they overlap. */
const FULLEST = 1.35

/** Tells whether a list can become a word search, without laying a word. */
export function fit(list: EntryList, options: WordSearchOptions): Fit {
  const { roots, inner, unplaced } = prepareWords(list, options)
  const side = lettersTooMany(list, options)
  const notes: FitNote[] = unplaced.map(({ entryId, text, why, others }) =>
    note(why, [entryId], { text, others: others.join(', '), side }),
  )
  const letters = roots.reduce((sum, { letters }) => sum + letters.length, 0)
  const longest = Math.max(0, ...roots.map(({ letters }) => letters.length))
  const count = roots.length + inner.length
  const cells = options.size === 'chosen' ? options.rows * options.cols : MAX_SIDE * MAX_SIDE
  if (letters > cells * FULLEST) notes.push(note('too-full', [], { letters, cells }))

  const messageLength = gridLetters(options.message, options).length
  if (messageLength > 0 && options.size === 'chosen') {
    const range = lengthsThatFit({ letters }, [options.rows, options.cols])
    if (messageLength < range.least || messageLength > range.most) {
      notes.push(note('message-length', [], { length: messageLength, ...range }))
    }
  }
  if (count === 0) return { ready: false, summary: note('no-words', [], {}), notes }
  const size =
    options.size === 'chosen' ? { rows: options.rows, cols: options.cols } : square(automaticSide(letters, longest))
  return { ready: true, summary: note('ready', [], { count, ...size }), notes }
}

function square(side: number): { rows: number; cols: number } {
  return { rows: side, cols: side }
}

function note(
  code: UnplacedReason | 'too-full' | 'ready' | 'no-words' | 'message-length',
  entryIds: string[],
  values: FitNote['values'],
): FitNote {
  return { code, entryIds, values }
}
