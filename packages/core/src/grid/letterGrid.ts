import type { BlockedWords } from './blockTrie.ts'
import { DIRECTIONS } from './directions.ts'
import type { WordTrie } from './wordTrie.ts'

/** One row is one 32-bit integer. */
export const MAX_SIDE = 30
/** Overlaps are counted in so many binary digits. */
const SLICES = 5
/** What looking for spelled words through one cell costs, in row operations. */
const SPELL_WORK = 30

/** DIRECTIONS once more as plain numbers, for the inner loops. */
const ROW_STEP = DIRECTIONS.map(({ dRow }) => dRow)
const COL_STEP = DIRECTIONS.map(({ dCol }) => dCol)

/** Where a word starts and which of DIRECTIONS it runs in. */
export interface Position {
  row: number
  col: number
  direction: number
}

/**
 * A grid of letter numbers that words are laid into and lifted from. It keeps one bitset per letter, so that all legal
 * starts of a word come from shifts and ANDs of rows, and how much each would overlap from a bit-sliced adder.
 */
export class LetterGrid {
  readonly rows: number
  readonly cols: number
  /** Letter number of each cell, row by row; -1 where empty. */
  readonly cells: Int16Array
  /** How much work was done, in about as many row operations: the budget of every search, the same on every machine. */
  work = 0
  private readonly uses: Uint8Array
  private readonly planes: Int32Array
  private readonly empty: Int32Array
  private readonly fullRow: number
  private readonly trie: WordTrie
  private readonly blocked: BlockedWords
  /** Length of the longest word, listed or blocked. */
  private readonly farthest: number
  /** Result of the last `search`: legal starts, and the digits of their overlaps, by direction and row. */
  private readonly legal: Int32Array
  private readonly slices: Int32Array
  private readonly newlySet: number[] = []

  /**
   * @param trie the listed words, forwards and backwards, over the same letter numbers: wherever one is read, it counts
   *   as spelled, also where no word may run
   */
  constructor(rows: number, cols: number, trie: WordTrie, blocked: BlockedWords) {
    this.rows = rows
    this.cols = cols
    this.trie = trie
    this.blocked = blocked
    this.farthest = Math.max(trie.longest, blocked.trie.longest)
    this.cells = new Int16Array(rows * cols).fill(-1)
    this.uses = new Uint8Array(rows * cols)
    this.planes = new Int32Array(trie.alphabet * rows)
    this.fullRow = cols === 32 ? -1 : (1 << cols) - 1
    this.empty = new Int32Array(rows).fill(this.fullRow)
    this.legal = new Int32Array(8 * rows)
    this.slices = new Int32Array(8 * rows * SLICES)
  }

  /** How many cells are empty. */
  spare(): number {
    let total = 0
    for (const cell of this.cells) if (cell < 0) total++
    return total
  }

  /**
   * Finds all legal starts of a word in the given directions (numbers of DIRECTIONS): those where each letter falls on
   * an empty cell or its like. Returns the largest overlap, or -1 where there is no legal start.
   */
  search(word: ArrayLike<number>, directions: readonly number[]): number {
    const { rows, cols, planes, empty, legal, slices } = this
    const length = word.length
    let best = -1
    for (const direction of directions) {
      const dRow = ROW_STEP[direction]!
      const dCol = COL_STEP[direction]!
      const base = direction * rows
      legal.fill(0, base, base + rows)
      if (dRow !== 0 && length > rows) continue
      if (dCol !== 0 && length > cols) continue
      const firstRow = dRow < 0 ? length - 1 : 0
      const lastRow = dRow > 0 ? rows - length : rows - 1
      this.work += (lastRow - firstRow + 1) * length
      for (let row = firstRow; row <= lastRow; row++) {
        let starts = this.fullRow
        let s0 = 0
        let s1 = 0
        let s2 = 0
        let s3 = 0
        let s4 = 0
        for (let index = 0; index < length; index++) {
          const line = row + index * dRow
          const like = planes[word[index]! * rows + line]!
          const usable = like | empty[line]!
          const shift = index * dCol
          let carry: number
          if (shift >= 0) {
            starts &= usable >>> shift
            carry = like >>> shift
          } else {
            starts &= usable << -shift
            carry = like << -shift
          }
          if (starts === 0) break
          carry &= starts
          let next = s0 & carry
          s0 ^= carry
          if (next !== 0) {
            carry = next
            next = s1 & carry
            s1 ^= carry
            carry = next
            next = s2 & carry
            s2 ^= carry
            carry = next
            next = s3 & carry
            s3 ^= carry
            s4 ^= next
          }
        }
        if (starts === 0) continue
        const at = base + row
        legal[at] = starts
        s0 &= starts
        s1 &= starts
        s2 &= starts
        s3 &= starts
        s4 &= starts
        const digits = at * SLICES
        slices[digits] = s0
        slices[digits + 1] = s1
        slices[digits + 2] = s2
        slices[digits + 3] = s3
        slices[digits + 4] = s4
        let value = 0
        if (s4 !== 0) {
          starts = s4
          value = 16
        }
        if ((s3 & starts) !== 0) {
          starts &= s3
          value |= 8
        }
        if ((s2 & starts) !== 0) {
          starts &= s2
          value |= 4
        }
        if ((s1 & starts) !== 0) {
          starts &= s1
          value |= 2
        }
        if ((s0 & starts) !== 0) value |= 1
        if (value > best) best = value
      }
    }
    return best
  }

  /** Counts the legal starts that the last search found with exactly this overlap (-1: with any). */
  countStarts(overlap: number, directions: readonly number[]): number {
    let total = 0
    this.work += directions.length * this.rows
    for (const direction of directions) {
      for (let row = 0; row < this.rows; row++) total += bitCount(this.startsAt(direction * this.rows + row, overlap))
    }
    return total
  }

  /** Returns the n-th of the starts that `countStarts` counted. Throws a RangeError where there are fewer. */
  nthStart(nth: number, overlap: number, directions: readonly number[]): Position {
    this.work += directions.length * this.rows
    for (const direction of directions) {
      for (let row = 0; row < this.rows; row++) {
        let mask = this.startsAt(direction * this.rows + row, overlap)
        const count = bitCount(mask)
        if (nth >= count) {
          nth -= count
          continue
        }
        while (nth-- > 0) mask &= mask - 1
        return { row, col: 31 - Math.clz32(mask & -mask), direction }
      }
    }
    throw new RangeError('no such start')
  }

  /** Returns those of the starts that `countStarts` counted whose word would cover a cell (numbered row by row). */
  startsCovering(cell: number, length: number, overlap: number, directions: readonly number[]): Position[] {
    const row = Math.floor(cell / this.cols)
    const col = cell - row * this.cols
    const found: Position[] = []
    for (const direction of directions) {
      for (let index = 0; index < length; index++) {
        const start = { row: row - index * ROW_STEP[direction]!, col: col - index * COL_STEP[direction]!, direction }
        if (start.row < 0 || start.row >= this.rows || start.col < 0 || start.col >= this.cols) continue
        if ((this.startsAt(direction * this.rows + start.row, overlap) >>> start.col) & 1) found.push(start)
      }
    }
    return found
  }

  /** Strikes a start from the last search's result, after it proved to spell something. */
  strike({ row, col, direction }: Position): void {
    this.legal[direction * this.rows + row]! &= ~(1 << col)
  }

  private startsAt(at: number, overlap: number): number {
    let mask = this.legal[at]!
    if (overlap < 0 || mask === 0) return mask
    for (let digit = 0; digit < SLICES; digit++) {
      const slice = this.slices[at * SLICES + digit]!
      mask &= (overlap >> digit) & 1 ? slice : ~slice
    }
    return mask
  }

  /**
   * Lays a word, unless its new letters would spell something that is not wholly inside it; tells whether it was laid.
   * The position must be legal.
   */
  tryLay(word: ArrayLike<number>, position: Position): boolean {
    this.lay(word, position)
    const lastRow = position.row + (word.length - 1) * ROW_STEP[position.direction]!
    const lastCol = position.col + (word.length - 1) * COL_STEP[position.direction]!
    const axis = position.direction & 3
    for (const cell of this.newlySet) {
      this.work += SPELL_WORK
      if (this.spells(cell, axis, position.row, position.col, lastRow, lastCol)) {
        this.lift(word, position)
        return false
      }
    }
    return true
  }

  /** Lays a word without asking what it spells: for putting back what stood there before. */
  lay(word: ArrayLike<number>, { row, col, direction }: Position): void {
    const dRow = ROW_STEP[direction]!
    const dCol = COL_STEP[direction]!
    this.newlySet.length = 0
    for (let index = 0; index < word.length; index++) {
      const line = row + index * dRow
      const column = col + index * dCol
      const cell = line * this.cols + column
      if (this.uses[cell]!++ === 0) {
        this.set(cell, line, column, word[index]!)
        this.newlySet.push(cell)
      }
    }
  }

  /** Lifts a laid word; letters that other words use stay. */
  lift(word: ArrayLike<number>, { row, col, direction }: Position): void {
    const dRow = ROW_STEP[direction]!
    const dCol = COL_STEP[direction]!
    for (let index = 0; index < word.length; index++) {
      const line = row + index * dRow
      const column = col + index * dCol
      const cell = line * this.cols + column
      if (--this.uses[cell]! === 0) this.clear(cell, line, column)
    }
  }

  /** Sets a single letter in an empty cell, unless it would spell something; tells whether it was set. */
  trySet(row: number, col: number, letter: number): boolean {
    const cell = row * this.cols + col
    this.set(cell, row, col, letter)
    if (!this.spells(cell, -1, 0, 0, 0, 0)) return true
    this.clear(cell, row, col)
    return false
  }

  /** Puts a single letter in an empty cell (numbered row by row) without asking what it spells. */
  put(cell: number, letter: number): void {
    const row = Math.floor(cell / this.cols)
    this.set(cell, row, cell - row * this.cols, letter)
  }

  /** Empties a cell that holds a single letter. */
  take(cell: number): void {
    const row = Math.floor(cell / this.cols)
    this.clear(cell, row, cell - row * this.cols)
  }

  /**
   * Returns the cells with single letters, of no laid word, that take part in spelling a word of the list or a blocked
   * one.
   */
  spellingSingles(): number[] {
    const { rows, cols, uses } = this
    const found = new Set<number>()
    for (let axis = 0; axis < 4; axis++) {
      const stride = ROW_STEP[axis]! * cols + COL_STEP[axis]!
      for (let cell = 0; cell < rows * cols; cell++) {
        const row = Math.floor(cell / cols)
        // The longest run from here holds the cells of all shorter ones.
        let longest = 0
        let length = this.runFrom(row, cell - row * cols, axis, 1)
        for (; length > 0; length = this.runFrom(row, cell - row * cols, axis, length + 1)) longest = length
        for (let index = 0; index < longest; index++) {
          const at = cell + index * stride
          if (uses[at] === 0) found.add(at)
        }
      }
    }
    return [...found]
  }

  private set(cell: number, row: number, col: number, letter: number): void {
    this.cells[cell] = letter
    this.planes[letter * this.rows + row]! |= 1 << col
    this.empty[row]! &= ~(1 << col)
  }

  private clear(cell: number, row: number, col: number): void {
    this.planes[this.cells[cell]! * this.rows + row]! &= ~(1 << col)
    this.empty[row]! |= 1 << col
    this.cells[cell] = -1
  }

  /**
   * Tells whether a run through a cell spells something, runs wholly within the given segment of the given axis left
   * aside.
   */
  private spells(cell: number, ownAxis: number, row1: number, col1: number, row2: number, col2: number): boolean {
    const row = Math.floor(cell / this.cols)
    const col = cell - row * this.cols
    for (let axis = 0; axis < 4; axis++) {
      const dRow = ROW_STEP[axis]!
      const dCol = COL_STEP[axis]!
      for (let back = 0; back < this.farthest; back++) {
        const startRow = row - back * dRow
        const startCol = col - back * dCol
        if (startRow < 0 || startRow >= this.rows || startCol < 0) break
        if (this.cells[startRow * this.cols + startCol]! < 0) break
        let length = this.runFrom(startRow, startCol, axis, back + 1)
        if (length > 0 && axis !== ownAxis) return true
        for (; length > 0; length = this.runFrom(startRow, startCol, axis, length + 1)) {
          const inside =
            within(startRow, startCol, row1, col1, row2, col2) &&
            within(startRow + (length - 1) * dRow, startCol + (length - 1) * dCol, row1, col1, row2, col2)
          if (!inside) return true
        }
      }
    }
    return false
  }

  /**
   * Length of the shortest run that begins at a cell, along an axis, has at least so many letters and spells something;
   * 0 for none.
   */
  private runFrom(row: number, col: number, axis: number, least: number): number {
    const { rows, cols, cells } = this
    const { children, ends, alphabet } = this.trie
    const { children: blockedChildren, ends: blockedEnds, alphabet: blockedAlphabet } = this.blocked.trie
    const numberOf = this.blocked.numberOf
    const dRow = ROW_STEP[axis]!
    const dCol = COL_STEP[axis]!
    const stride = dRow * cols + dCol
    let node = 0
    let blockedNode = 0
    let listing = true
    let blocking = true
    for (
      let at = row * cols + col, length = 1;
      row >= 0 && row < rows && col < cols;
      row += dRow, col += dCol, at += stride, length++
    ) {
      const letter = cells[at]!
      if (letter < 0) return 0
      if (listing) {
        node = children[node * alphabet + letter]!
        listing = node !== 0
      }
      if (blocking) {
        const number = numberOf[letter]!
        blockedNode = number < 0 ? 0 : blockedChildren[blockedNode * blockedAlphabet + number]!
        blocking = blockedNode !== 0
      }
      if (!listing && !blocking) return 0
      if (length >= least && (ends[node] !== 0 || blockedEnds[blockedNode] !== 0)) return length
    }
    return 0
  }
}

function within(row: number, col: number, row1: number, col1: number, row2: number, col2: number): boolean {
  return (
    row >= Math.min(row1, row2) &&
    row <= Math.max(row1, row2) &&
    col >= Math.min(col1, col2) &&
    col <= Math.max(col1, col2)
  )
}

/** Counts the ones of a 32-bit integer (Hacker's Delight, 5-1). */
function bitCount(bits: number): number {
  bits -= (bits >>> 1) & 0x55555555
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333)
  return Math.imul((bits + (bits >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24
}
