import {
  answerLanguageOf,
  NO_LOOKUP,
  NO_WORDS,
  type AnyGame,
  type Asking,
  type EntryList,
  type LookedUp,
  type WordKnowledge,
} from '@otter/core'
import { lookUpThings } from './things.ts'
import { readWordsOf } from './words.ts'

const known = new Map<string, WordKnowledge>()

/** Looks up what a game of a list is made by. */
export function lookUp(game: AnyGame, list: EntryList, options: Asking): LookedUp {
  const { words, things } = game.lookup?.(list, options) ?? NO_LOOKUP
  return { words: words ? wordsOf(answerLanguageOf(list)) : NO_WORDS, things: lookUpThings(things) }
}

function wordsOf(language: string): WordKnowledge {
  let words = known.get(language)
  if (!words) known.set(language, (words = readWordsOf(language)))
  return words
}
