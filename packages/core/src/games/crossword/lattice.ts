/** Rows and columns of the lattice. The layout floats in it, two cells off the rim at least. */
export const SIDE = 64
export const RIM = 2
/** A longer word fits no page. */
export const LONGEST_WORD = 30

export const ACROSS = 0
export const DOWN = 1
export type Direction = typeof ACROSS | typeof DOWN

/** Where a word stands, by its number among the words. */
export interface Placing {
  word: number
  /** First cell: row × SIDE + column. */
  start: number
  direction: Direction
}

/** From one cell of a word to the next. */
const STEP = [1, SIDE] as const
const CELLS = SIDE * SIDE

/**
 * Words laid across and down, by the rules of crosswords: each run of two or more letters is a word of its own. Words
 * are rows of letter codes, from 0. Cells know their letter, the words that use them and how many letters lie beside
 * them; letters know their cells, so that all places where a word could cross are found without a look at the empty
 * ones.
 */
export class Lattice {
  readonly words: readonly Uint16Array[]
  /** Letter code + 1 of each cell; 0 where it is empty. */
  readonly letters = new Uint16Array(CELLS)
  /** Bit 1 where a word across uses the cell, bit 2 where one down does. */
  readonly uses = new Uint8Array(CELLS)
  /** The word across and the word down that use a cell; where `uses` has no such bit it means nothing. */
  readonly owners = [new Uint16Array(CELLS), new Uint16Array(CELLS)] as const
  /** First cell of each word; −1 where it is not laid. */
  readonly start: Int32Array
  readonly direction: Uint8Array
  /** Cells used by two words. */
  crossings = 0
  laid = 0
  /** Rim of the layout: first and last row, first and last column. */
  readonly low = new Int32Array(2)
  readonly high = new Int32Array(2).fill(-1)
  /** The words that `together` found, nearest first. */
  readonly open: Int32Array
  /** Cells that hold a letter, of which the first `count` count. */
  readonly cellsOf: readonly Int32Array[]
  readonly count: Int32Array
  private readonly placeOf = new Int32Array(CELLS)
  /** Letters above and below a cell, and to its left and right: what lies beside a word across, and beside one down. */
  private readonly beside = [new Uint8Array(CELLS), new Uint8Array(CELLS)] as const
  /** Letters in each row and column. */
  private readonly inLine = [new Int32Array(SIDE), new Int32Array(SIDE)] as const

  constructor(words: readonly Uint16Array[]) {
    this.words = words
    this.start = new Int32Array(words.length).fill(-1)
    this.direction = new Uint8Array(words.length)
    this.open = new Int32Array(words.length)
    const most: number[] = []
    for (const word of words) for (const letter of word) most[letter] = (most[letter] ?? 0) + 1
    this.cellsOf = Array.from(most, (count) => new Int32Array(count ?? 0))
    this.count = new Int32Array(most.length)
  }

  /**
   * Tells how many letters a word would share with words that cross it; −1 where the rules forbid it there. With
   * `touch`,
   * new letters may lie beside letters that no word uses in that direction yet: the runs that this makes must then
   * become words (`touched` gives them).
   */
  check(word: number, start: number, direction: Direction, touch: boolean): number {
    const letters = this.words[word]!
    const { length } = letters
    const step = STEP[direction]
    const grid = this.letters
    if (grid[start - step] !== 0 || grid[start + step * length] !== 0) return -1
    const beside = this.beside[direction]
    const use = 1 << direction
    let shared = 0
    for (let index = 0, cell = start; index < length; index++, cell += step) {
      const there = grid[cell]
      if (there !== 0) {
        if (there !== letters[index]! + 1 || (this.uses[cell]! & use) !== 0) return -1
        shared++
      } else if (beside[cell] !== 0 && (!touch || !this.mayTouch(cell, direction))) return -1
    }
    return shared
  }

  /** Tells whether a letter may come between the letters beside a line: no word ends there. */
  private mayTouch(cell: number, direction: Direction): boolean {
    const across = STEP[1 - direction]!
    return ((this.uses[cell - across]! | this.uses[cell + across]!) & (2 >> direction)) === 0
  }

  /** Returns the new cells of a word to be laid that touch letters beside its line. */
  touched(word: number, start: number, direction: Direction): number[] {
    const step = STEP[direction]
    const across = STEP[1 - direction]!
    const cells: number[] = []
    for (let index = 0, cell = start; index < this.words[word]!.length; index++, cell += step) {
      if (this.letters[cell] === 0 && (this.letters[cell - across] !== 0 || this.letters[cell + across] !== 0))
        cells.push(cell)
    }
    return cells
  }

  /** Returns the words that would have to go for a word to be laid there, each once. */
  inTheWay(word: number, start: number, direction: Direction): number[] {
    const letters = this.words[word]!
    const step = STEP[direction]
    const across = STEP[1 - direction]!
    const use = 1 << direction
    const out: number[] = []
    this.addOwners(start - step, 3, out)
    this.addOwners(start + step * letters.length, 3, out)
    for (let index = 0, cell = start; index < letters.length; index++, cell += step) {
      if (this.letters[cell] === letters[index]! + 1) this.addOwners(cell, use, out)
      else {
        this.addOwners(cell, 3, out)
        this.addOwners(cell - across, 3, out)
        this.addOwners(cell + across, 3, out)
      }
    }
    return out
  }

  place(word: number, start: number, direction: Direction): void {
    const letters = this.words[word]!
    const step = STEP[direction]
    const bit = 1 << direction
    const owner = this.owners[direction]
    for (let index = 0, cell = start; index < letters.length; index++, cell += step) {
      if (this.letters[cell] !== 0) this.crossings++
      else this.fill(cell, letters[index]!)
      this.uses[cell]! |= bit
      owner[cell] = word
    }
    this.start[word] = start
    this.direction[word] = direction
    const isFirst = this.laid++ === 0
    for (const axis of [0, 1] as const) {
      const from = axis === 0 ? start >> 6 : start & 63
      const to = direction === axis ? from : from + letters.length - 1
      if (isFirst || from < this.low[axis]!) this.low[axis] = from
      if (isFirst || to > this.high[axis]!) this.high[axis] = to
    }
  }

  remove(word: number): void {
    const { length } = this.words[word]!
    const start = this.start[word]
    const direction = this.direction[word] as Direction
    const step = STEP[direction]
    const bit = 1 << direction
    for (let index = 0, cell = start; index < length; index++, cell! += step) {
      this.uses[cell!]! &= ~bit
      if (this.uses[cell!] !== 0) this.crossings--
      else this.clear(cell!)
    }
    this.start[word] = -1
    if (--this.laid === 0) return
    for (const axis of [0, 1] as const) {
      while (this.inLine[axis][this.low[axis]!] === 0) this.low[axis]!++
      while (this.inLine[axis][this.high[axis]!] === 0) this.high[axis]!--
    }
  }

  /** Marks the words that hang together with a laid word, itself among them, with a number; gives how many they are. */
  together(word: number, marks: Uint8Array, mark: number): number {
    const { open } = this
    marks[word] = mark
    open[0] = word
    let count = 1
    for (let reached = 0; reached < count; reached++) {
      const one = open[reached]!
      const step = STEP[this.direction[one]!]!
      const owner = this.owners[1 - this.direction[one]!]!
      const end = this.start[one]! + step * this.words[one]!.length
      for (let cell = this.start[one]!; cell < end; cell += step) {
        if (this.uses[cell] === 3 && marks[owner[cell]!] !== mark) {
          marks[owner[cell]!] = mark
          open[count++] = owner[cell]!
        }
      }
    }
    return count
  }

  /** Counts laid words that at least two others cross. */
  crossedTwice(): number {
    let count = 0
    for (let word = 0; word < this.words.length; word++) {
      if (this.start[word]! < 0) continue
      const step = STEP[this.direction[word]!]!
      const end = this.start[word]! + step * this.words[word]!.length
      let shared = 0
      for (let cell = this.start[word]!; cell < end && shared < 2; cell += step) if (this.uses[cell] === 3) shared++
      if (shared === 2) count++
    }
    return count
  }

  /**
   * Returns a cell whose letter lies beside another without a word over both, as happens where a word between others
   * goes; −1 where all is sound.
   */
  bareCell(): number {
    for (let word = 0; word < this.words.length; word++) {
      if (this.start[word]! < 0) continue
      const direction = this.direction[word]!
      const step = STEP[direction]!
      const across = STEP[1 - direction]!
      const other = 2 >> direction
      const end = this.start[word]! + step * this.words[word]!.length
      for (let cell = this.start[word]!; cell < end; cell += step) {
        if (
          (this.letters[cell - across] !== 0 || this.letters[cell + across] !== 0) &&
          (this.uses[cell]! & other) === 0
        )
          return cell
      }
    }
    return -1
  }

  private fill(cell: number, letter: number): void {
    this.letters[cell] = letter + 1
    const place = this.count[letter]!++
    this.cellsOf[letter]![place] = cell
    this.placeOf[cell] = place
    this.turn(cell, 1)
  }

  private clear(cell: number): void {
    const letter = this.letters[cell]! - 1
    const last = --this.count[letter]!
    const moved = this.cellsOf[letter]![last]!
    this.cellsOf[letter]![this.placeOf[cell]!] = moved
    this.placeOf[moved] = this.placeOf[cell]!
    this.letters[cell] = 0
    this.turn(cell, -1)
  }

  private turn(cell: number, by: number): void {
    const [across, down] = this.beside
    across[cell - SIDE]! += by
    across[cell + SIDE]! += by
    down[cell - 1]! += by
    down[cell + 1]! += by
    this.inLine[0][cell >> 6]! += by
    this.inLine[1][cell & 63]! += by
  }

  private addOwners(cell: number, bits: number, out: number[]): void {
    const used = this.uses[cell]! & bits
    if ((used & 1) !== 0 && !out.includes(this.owners[0][cell]!)) out.push(this.owners[0][cell]!)
    if ((used & 2) !== 0 && !out.includes(this.owners[1][cell]!)) out.push(this.owners[1][cell]!)
  }
}
