/** A word as letters a to z, numbered from 0. */
export type Letters = readonly number[]

/** Words of one length, in a form that is quick to sift. */
export interface WordGroup {
  length: number
  count: number
  /** Letters of all words, one word after another. */
  letters: Uint8Array
  /** For each word, one bit for each letter it has. */
  masks: Int32Array
  weights: Float64Array
  total: number
}

/** Words of a language, by length, with how familiar they are. */
export interface Dictionary {
  has(word: Letters): boolean
  ofLength(length: number): WordGroup
  /** Weight of the rarest word. */
  readonly least: number
}

/** Returns a text's letters a to z as numbers; undefined where it holds others. */
export function lettersOf(text: string): number[] | undefined {
  const letters = [...text.toLowerCase()].map((letter) => letter.charCodeAt(0) - 97)
  return letters.every((letter) => letter >= 0 && letter < 26) ? letters : undefined
}

/** Makes a group of words that all have the same length. */
export function groupOf(length: number, words: readonly Letters[], weights: readonly number[]): WordGroup {
  const letters = new Uint8Array(words.length * length)
  const masks = new Int32Array(words.length)
  words.forEach((word, index) => {
    letters.set(word, index * length)
    masks[index] = maskOf(word)
  })
  return {
    length,
    count: words.length,
    letters,
    masks,
    weights: Float64Array.from(weights),
    total: weights.reduce((sum, weight) => sum + weight, 0),
  }
}

/** Returns one bit for each letter of a word. */
export function maskOf(word: Letters): number {
  return word.reduce((mask, letter) => mask | (1 << letter), 0)
}

/**
 * Reads a dictionary: one line for each level of familiarity, as "35: word word word", the most familiar first (SCOWL's
 * sizes, Kevin Atkinson). A word weighs half as much for every ten of its level.
 */
export function readDictionary(text: string): Dictionary {
  const byLength: { words: Letters[]; weights: number[] }[] = []
  const known = new Set<string>()
  let least = 1
  for (const line of text.split('\n')) {
    const [level, words = ''] = line.split(': ')
    const weight = 2 ** (-Number(level) / 10)
    for (const word of words.split(' ')) {
      const letters = lettersOf(word)
      if (!letters || word === '' || known.has(word)) continue
      known.add(word)
      const group = (byLength[word.length] ??= { words: [], weights: [] })
      group.words.push(letters)
      group.weights.push(weight)
      least = weight
    }
  }
  const groups = Array.from(byLength, (gathered, length) =>
    groupOf(length, gathered?.words ?? [], gathered?.weights ?? []),
  )
  return {
    has: (word) => known.has(String.fromCharCode(...word.map((letter) => letter + 97))),
    ofLength: (length) => groups[length] ?? groupOf(length, [], []),
    least,
  }
}
