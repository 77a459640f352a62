import { faceLetters, type Entry } from '@otter/core'
import { WordSearchOptions, type WordSearchPuzzle } from '@otter/core/games/wordsearch'
import type { TeacherScreens } from '../contract.ts'
import { GRID, SPACE } from '../keyHelp.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

/** Words in a thumbnail, and letters in each. */
const THUMBNAIL_WORDS = 7
const THUMBNAIL_LETTERS = 8

/** The word search as teachers see it. */
export const screens: TeacherScreens<WordSearchOptions, WordSearchPuzzle> = {
  Options,
  Thumbnail,
  keys: [GRID, { keys: ['Enter', SPACE], does: 'mark' }],
  factsOf: ({ words, rows }) => ({
    code: 'facts',
    values: { count: words.length, rows: rows.length, cols: rows[0]!.length },
  }),
  missingIn: ({ unplaced }) => unplaced.filter(({ why }) => why === 'no-room').map(({ text }) => text),
  small: (list) => {
    const entries: Entry[] = []
    for (const entry of list.entries) {
      if (entries.length === THUMBNAIL_WORDS) break
      const { length } = faceLetters(entry.answer, {
        letterCase: 'upper',
        accents: 'kept',
        language: list.answerLanguage,
      })
      if (length >= 2 && length <= THUMBNAIL_LETTERS) entries.push(entry)
    }
    return { list: { ...list, entries }, options: WordSearchOptions.parse({ size: 'smallest', directions: 2 }) }
  },
}
