/** Words of a language, in a set that may now and then hold one that is none. */
export interface WordSet {
  has(word: string): boolean
}

const BITS_A_WORD = 9
const HASHES = 6
const HEAD = 4

/**
 * Writes words as a Bloom filter (Bloom, 1970): nine bits a word, of which six are set, so that about one in seventy
 * strings that are no word is taken for one. The first four bytes say how many bits there are.
 */
export function writeWordSet(words: ReadonlySet<string>): Uint8Array {
  const count = Math.max(64, words.size * BITS_A_WORD)
  const bytes = new Uint8Array(HEAD + Math.ceil(count / 8))
  new DataView(bytes.buffer).setUint32(0, count)
  for (const word of words) for (const bit of bitsOf(word, count)) bytes[HEAD + (bit >>> 3)]! |= 1 << (bit & 7)
  return bytes
}

/** Reads words as they were written. */
export function readWordSet(bytes: Uint8Array): WordSet {
  const count = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0)
  return {
    has: (word) => {
      for (const bit of bitsOf(word, count)) if ((bytes[HEAD + (bit >>> 3)]! & (1 << (bit & 7))) === 0) return false
      return true
    },
  }
}

/** Returns the places of a word among the bits: two hashes (FNV-1a), mixed (Kirsch and Mitzenmacher, 2006). */
function bitsOf(word: string, count: number): number[] {
  let one = 0x811c9dc5
  let other = 0x9747b28c
  for (let at = 0; at < word.length; at++) {
    const code = word.charCodeAt(at)
    one = Math.imul(one ^ code, 0x01000193)
    other = Math.imul(other ^ code, 0x5bd1e995)
    other ^= other >>> 15
  }
  one = (one ^ (one >>> 16)) >>> 0
  other = ((other ^ (other >>> 13)) | 1) >>> 0
  return Array.from({ length: HASHES }, (_, index) => (one + index * other) % count)
}
