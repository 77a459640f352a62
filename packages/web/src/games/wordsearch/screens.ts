import { faceLetters, type Entry } from '@otter/core'
import { WordSearchOptions, type WordSearchPuzzle } from '@otter/core/games/wordsearch'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { sentenceFor } from './sentences.ts'
import { Thumbnail } from './Thumbnail.tsx'

/** Words in a thumbnail, and letters in each. */
const THUMBNAIL_WORDS = 7
const THUMBNAIL_LETTERS = 8

/** The word search as teachers see it. */
export const screens: TeacherScreens<WordSearchOptions, WordSearchPuzzle> = {
  name: 'Word search',
  Options,
  Thumbnail,
  sentenceFor,
  factsOf: ({ words, rows }) =>
    `${words.length} ${words.length === 1 ? 'word' : 'words'}, ${rows.length}×${rows[0].length}`,
  shortfallOf: ({ unplaced }) => {
    const missing = unplaced.filter(({ why }) => why === 'no-room').map(({ text }) => text)
    return missing.length === 0 ? undefined : `No room for ${missing.join(', ')}. Choose a larger grid.`
  },
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
