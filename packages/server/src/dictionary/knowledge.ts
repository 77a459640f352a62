import { Judge, readDictionary, type Dictionary, type Knowledge } from '@otter/core'
import { englishDictionary } from './english.ts'
import { readWords } from './words.ts'

let english: Dictionary | undefined

/** What the server's games know: the words of English by how familiar they are, and those by which answers are judged. */
export const serverKnowledge: Knowledge = {
  version: 'scowl-50 words-1',
  dictionary: (language) =>
    language.split('-')[0] === 'en' ? (english ??= readDictionary(englishDictionary())) : undefined,
  judge: new Judge(readWords()),
}
