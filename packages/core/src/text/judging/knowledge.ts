/** What is known of languages beside the list, given as data. */
export interface WordKnowledge {
  /** Tells whether a word, in small letters, is one of a language; undefined where its words are not known. */
  isWord(word: string, language: string): boolean | undefined
  /** Returns an English word, in small letters, as it is spelled in America. */
  american(word: string): string
  /** Returns Chinese text in simplified characters. */
  simplified(text: string): string
}

/** Knows nothing: then no slip is forgiven. */
export const NO_WORDS: WordKnowledge = {
  isWord: () => undefined,
  american: (word) => word,
  simplified: (text) => text,
}
