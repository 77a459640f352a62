import { difficultyOfList, gameOf, readDictionary, type Asking } from '@otter/core'
import { englishDictionary } from '../../packages/server/src/dictionary/english.ts'
import type { Generated } from './game.ts'

export const hangman: Generated = {
  flags: {},
  prepare: (list) => {
    const dictionary = readDictionary(englishDictionary())
    const options: Asking = gameOf('hangman').options.parse({})
    return () => ({
      words: difficultyOfList(list, options, dictionary).map(({ entryId, text, difficulty }) => ({
        entryId,
        text,
        band: difficulty?.band ?? 'unknown',
        missesKnown: difficulty?.missesKnown ?? null,
        missesUnknown: difficulty?.missesUnknown ?? null,
        missesSuggested: difficulty?.missesSuggested ?? null,
      })),
    })
  },
}
