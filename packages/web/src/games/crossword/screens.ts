import { faceLetters } from '@otter/core'
import { CrosswordOptions, type CrosswordPuzzle } from '@otter/core/games/crossword'
import type { TeacherScreens } from '../contract.ts'
import { GRID, SPACE } from '../keyHelp.ts'
import { Layouts } from './Layouts.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

/** Words in a thumbnail, letters in each, and steps for it. */
const THUMBNAIL_WORDS = 8
const THUMBNAIL_LETTERS = 9
const THUMBNAIL_STEPS = 20_000

/** The crossword as teachers see it. */
export const screens: TeacherScreens<CrosswordOptions, CrosswordPuzzle> = {
  Options,
  Thumbnail,
  Workbench: Layouts,
  keys: [GRID, { keys: ['Enter', SPACE], does: 'direction' }, { keys: ['Tab', 'Shift + Tab'], does: 'nextClue' }],
  factsOf: ({ words, rows, cols, crossings }) => ({
    code: 'facts',
    values: { count: words.length, rows, cols, crossings },
  }),
  missingIn: ({ unplaced }) => unplaced.filter(({ why }) => why === 'no-place').map(({ text }) => text),
  small: (list) => {
    const entries = list.entries
      .filter(({ answer }) => {
        const { length } = faceLetters(answer, {
          letterCase: 'upper',
          accents: 'folded',
          language: list.answerLanguage,
        })
        return length >= 3 && length <= THUMBNAIL_LETTERS
      })
      .slice(0, THUMBNAIL_WORDS)
    return { list: { ...list, entries }, options: CrosswordOptions.parse({ steps: THUMBNAIL_STEPS }) }
  },
}
