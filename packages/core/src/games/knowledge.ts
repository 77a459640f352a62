import type { Dictionary } from '../text/dictionary.ts'
import { Judge } from '../text/judging/judge.ts'
import { NO_WORDS } from '../text/judging/knowledge.ts'

/** What games know of the world beside the list. The same version always knows the same. */
export interface Knowledge {
  version: string
  /** Returns the words of a language, as a BCP 47 code; undefined where they are not known. */
  dictionary(language: string): Dictionary | undefined
  /** Judges typed answers by the words of their language. */
  judge: Judge
}

/** Knows nothing. */
export const NO_KNOWLEDGE: Knowledge = { version: '', dictionary: () => undefined, judge: new Judge(NO_WORDS) }
