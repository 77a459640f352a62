import { guessLanguage } from '../text/judging/guessLanguage.ts'
import type { EntryList } from './entry.ts'

/** Returns the language of a list's answers (BCP 47): as it is said, or as they look; empty where nothing tells. */
export function answerLanguageOf({ answerLanguage, entries }: EntryList): string {
  return answerLanguage || guessLanguage(entries.map(({ answer }) => answer.text))
}
