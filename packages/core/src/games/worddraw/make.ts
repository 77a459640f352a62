import type { EntryList } from '../../list/entry.ts'
import { isEmptyFace } from '../../list/face.ts'
import { hardnessOf } from '../../list/hardness.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import type { WorddrawOptions } from './options.ts'
import type { DrawnWord, WorddrawPuzzle } from './puzzle.ts'

const FEWEST_WORDS = 2
/** A word that nobody knows comes so many times as soon as one that all know. */
const STRONGEST = 4

function wordsOf(list: EntryList, { weights }: WorddrawOptions): DrawnWord[] {
  return list.entries.flatMap((entry): DrawnWord[] => {
    const { id: entryId, answer, prompt } = entry
    const face = isEmptyFace(answer) ? prompt : answer
    if (isEmptyFace(face)) return []
    const { hardness } = hardnessOf(entry, list.proved?.[entryId])
    const weight = weights === 'missed' ? 1 + (STRONGEST - 1) * hardness : 1
    return [{ entryId, face, sentence: isEmptyFace(answer) ? { text: '' } : prompt, weight }]
  })
}

/** Tells whether there are words to draw. */
export function fit(list: EntryList, options: WorddrawOptions): Fit {
  const count = wordsOf(list, options).length
  const ready = count >= FEWEST_WORDS
  const summary = ready
    ? { code: 'ready', entryIds: [], values: { count } }
    : { code: 'too-few', entryIds: [], values: { count: FEWEST_WORDS - count } }
  return { ready, summary, notes: ready ? [] : [summary] }
}

/** Puts words into the stream. Throws a PuzzleError where there are fewer than two. */
export function make(list: EntryList, options: WorddrawOptions): WorddrawPuzzle {
  const { ready, summary } = fit(list, options)
  if (!ready) throw new PuzzleError(summary)
  return { words: wordsOf(list, options), repeats: options.repeats }
}
