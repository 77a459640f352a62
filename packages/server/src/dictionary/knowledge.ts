import { readDictionary, type Dictionary, type Knowledge } from '@otter/core'
import { englishDictionary } from './english.ts'

let english: Dictionary | undefined

/** What the server's games know: the words of English. */
export const serverKnowledge: Knowledge = {
  version: 'scowl-50',
  dictionary: (language) =>
    language.split('-')[0] === 'en' ? (english ??= readDictionary(englishDictionary())) : undefined,
}
