/**
 * A trie over letter numbers. Children stand in one dense table, `alphabet` wide; node 0 is the root and, as nothing
 * leads back to it, also means "no such child".
 */
export class WordTrie {
  readonly alphabet: number
  /** Child of node n by letter l: `children[n * alphabet + l]`. */
  children: Int32Array
  /** Whether a word ends at a node: 1, or 0. */
  ends: Uint8Array
  /** Length of the longest word. */
  longest = 0
  private size = 1

  constructor(alphabet: number) {
    this.alphabet = alphabet
    this.children = new Int32Array(alphabet * 256)
    this.ends = new Uint8Array(256)
  }

  /** Adds a word, as letter numbers below `alphabet`. */
  add(word: ArrayLike<number>): void {
    let node = 0
    for (let index = 0; index < word.length; index++) {
      const slot = node * this.alphabet + word[index]!
      if (this.children[slot] === 0) {
        if (this.size === this.ends.length) this.grow()
        this.children[slot] = this.size++
      }
      node = this.children[slot]!
    }
    this.ends[node] = 1
    this.longest = Math.max(this.longest, word.length)
  }

  private grow(): void {
    const children = new Int32Array(this.children.length * 2)
    children.set(this.children)
    this.children = children
    const ends = new Uint8Array(this.ends.length * 2)
    ends.set(this.ends)
    this.ends = ends
  }
}
