import type { Dictionary } from '../text/dictionary.ts'

/** What games know of the world beside the list. The same version always knows the same. */
export interface Knowledge {
  version: string
  /** Returns the words of a language, as a BCP 47 code; undefined where they are not known. */
  dictionary(language: string): Dictionary | undefined
}

/** Knows nothing. */
export const NO_KNOWLEDGE: Knowledge = { version: '', dictionary: () => undefined }
