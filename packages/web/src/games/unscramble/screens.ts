import { type FitNote } from '@otter/core'
import { UnscrambleOptions, type UnscramblePuzzle } from '@otter/core/games/unscramble'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const LONGEST_THUMBNAIL = 8

/** Unscramble as teachers see it. */
export const screens: TeacherScreens<UnscrambleOptions, UnscramblePuzzle> = {
  name: 'Unscramble',
  Options,
  Thumbnail,
  sentenceFor,
  factsOf: ({ items }) => `${items.length} ${items.length === 1 ? 'word' : 'words'}`,
  shortfallOf: () => undefined,
  small: (list) => {
    const short = list.entries.filter(
      ({ answer }) => answer.text.trim().length > 3 && answer.text.trim().length <= LONGEST_THUMBNAIL,
    )
    return {
      list: { ...list, entries: (short.length > 0 ? short : list.entries).slice(0, 1) },
      options: UnscrambleOptions.parse({ order: 'list' }),
    }
  },
}

function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.words} ${values.words === 1 ? 'word' : 'words'}`
    case 'no-words':
      return 'Add a word of two letters or more.'
    case 'no-text':
      return 'No answer in letters here; the row is left out.'
    case 'too-long':
      return `“${values.text}” has too many pieces; mix it by words, or shorten it.`
    case 'repeat':
      return `“${values.text}” is there twice; it counts once.`
    default:
      return `“${values.text}” has nothing to mix.`
  }
}
