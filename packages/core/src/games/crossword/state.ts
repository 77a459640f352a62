import type { Random } from '../../random/random.ts'
import { MAX_SIDE, mostSides } from './boxes.ts'
import { ACROSS, DOWN, Lattice, RIM, SIDE, type Direction, type Placing } from './lattice.ts'
import { bestPlace, CROSSING, type PlaceRange } from './places.ts'

/** Of a word's rank by length, so much is left to chance. */
const ORDER_NOISE = 0.5
/** Places looked at for a word that drives others out. */
const LOOKS = 8
/** Steps that laying a word counts beside the places looked at. */
const SETTLE_STEPS = 10
/** Words that may follow from one another where letters touch. */
const DEEPEST = 4

/** A layout that is being changed within a box, with a log by which any change can be taken back. */
export class State {
  readonly lattice: Lattice
  /** Area that the layout's box may have at most. */
  limit = 0
  /** How many rows a layout of so many columns may have in such a box, and the other way round. */
  private most = { rows: new Int32Array(0), cols: new Int32Array(0) }
  /** Work done: places looked at. */
  steps = 0
  private readonly words: readonly Uint16Array[]
  private readonly areas: Int32Array
  private readonly random: Random
  private readonly pinned: Uint8Array
  /** How often letters may touch beside a line, in [0, 1]. */
  private readonly touch: number
  private readonly reached: Uint8Array
  private log: number[] = []
  /** One object for all words, since a new one for each would cost time. */
  private readonly range: PlaceRange = { firstRow: 0, lastRow: 0, firstCol: 0, lastCol: 0, looked: 0 }

  constructor(
    words: readonly Uint16Array[],
    areas: Int32Array,
    random: Random,
    touch: number,
    pins: readonly Placing[],
  ) {
    this.words = words
    this.areas = areas
    this.random = random
    this.touch = touch
    this.lattice = new Lattice(words)
    this.reached = new Uint8Array(words.length)
    this.pinned = new Uint8Array(words.length)
    for (const { word, start, direction } of pins) {
      this.pinned[word] = 1
      this.lattice.place(word, start, direction)
    }
  }

  setLimit(limit: number): void {
    this.limit = limit
    this.most = mostSides(this.areas, limit)
  }

  /** Area of the smallest allowed box around the layout. */
  area(): number {
    const { low, high } = this.lattice
    return this.areas[(high[0]! - low[0]! + 1) * (MAX_SIDE + 1) + high[1]! - low[1]! + 1]!
  }

  placings(): Placing[] {
    const { start, direction } = this.lattice
    return [...this.words.keys()]
      .filter((word) => start[word]! >= 0)
      .map((word) => ({ word, start: start[word]!, direction: direction[word] as Direction }))
  }

  /** Forgets the log: what was done stays. */
  keep(): void {
    this.log = []
  }

  /** Takes back all that was done since the log was so long. */
  undo(length = 0): void {
    const { log } = this
    for (let at = log.length - 4; at >= length; at -= 4) {
      if (log[at + 3] === 1) this.lattice.remove(log[at]!)
      else this.lattice.place(log[at]!, log[at + 1]!, log[at + 2] as Direction)
    }
    log.length = length
  }

  /** Takes out a word and some that cross it; at most so many. */
  takeOut(most: number): void {
    const { lattice, random, words } = this
    const count = Math.min(1 + random.below(most), lattice.laid - 1)
    let word = random.below(words.length)
    for (let turn = 0; turn < words.length && !this.isMovable(word); turn++) word = (word + 1) % words.length
    if (!this.isMovable(word)) return
    const near = lattice.together(word, this.reached.fill(0), 1)
    const out = [word]
    for (let at = 1; out.length < count && at < near; at++) {
      if (random.next() < 0.6 && this.isMovable(lattice.open[at]!)) out.push(lattice.open[at]!)
    }
    for (const one of out) this.lift(one)
  }

  /**
   * Lays a word that is out where it drives out the fewest letters, of a few places looked at; false where it can't.
   */
  force(): boolean {
    const { lattice, random, words } = this
    let word = random.below(words.length)
    while (lattice.start[word]! >= 0) word = (word + 1) % words.length
    const letters = words[word]!
    let best: number[] | undefined
    let bestCost = Infinity
    let bestStart = 0
    let bestDirection: Direction = ACROSS
    for (let turn = 0; turn < LOOKS; turn++) {
      const index = random.below(letters.length)
      const count = lattice.count[letters[index]!]!
      if (count === 0) continue
      const cell = lattice.cellsOf[letters[index]!]![random.below(count)]!
      const used = lattice.uses[cell]
      const direction = (used === 3 ? random.below(2) : used === 1 ? DOWN : ACROSS) as Direction
      const start = cell - index * (direction === ACROSS ? 1 : SIDE)
      if (!this.fits(start, letters.length, direction)) continue
      this.steps += 2
      const out = lattice.inTheWay(word, start, direction)
      if (out.some((one) => this.pinned[one] === 1)) continue
      let cost = random.next() * CROSSING
      for (const one of out) cost += words[one]!.length + 1
      if (cost >= bestCost) continue
      bestCost = cost
      best = out
      bestStart = start
      bestDirection = direction
    }
    if (!best || best.length >= lattice.laid) return false
    for (const one of best) this.lift(one)
    this.lay(word, bestStart, bestDirection)
    return true
  }

  /** Puts back what is out, longest first with some noise. */
  putBack(): void {
    const { lattice, random, words } = this
    const out: { word: number; key: number }[] = []
    for (let word = 0; word < words.length; word++) {
      if (lattice.start[word]! < 0) out.push({ word, key: words[word]!.length * (1 - ORDER_NOISE * random.next()) })
    }
    out.sort((one, two) => two.key - one.key || one.word - two.word)
    for (const { word } of out) if (lattice.start[word]! < 0) this.settle(word)
  }

  /** Takes out all but the largest part that hangs together, or the part with what is pinned; false where all does. */
  keepTogether(): boolean {
    const { lattice, reached } = this
    reached.fill(0)
    let most = 0
    let kept = 0
    let mark = 0
    for (let word = 0; word < this.words.length; word++) {
      if (lattice.start[word]! < 0 || reached[word] !== 0) continue
      const count = lattice.together(word, reached, ++mark)
      if (count === lattice.laid) return false
      const weight = this.pinned[word] === 1 ? Infinity : count
      if (weight > most) {
        most = weight
        kept = mark
      }
    }
    for (let word = 0; word < this.words.length; word++)
      if (this.isMovable(word) && reached[word] !== kept) this.lift(word)
    return true
  }

  /** Takes out words at the rim until the rest fits the box. */
  trim(): void {
    const { lattice } = this
    while (lattice.laid > 1 && this.area() > this.limit) {
      let bestCost = Infinity
      let best: number[] = []
      for (let side = 0; side < 4; side++) {
        const out = this.wordsAtRim(side)
        if (out.some((word) => this.pinned[word] === 1)) continue
        const rows = lattice.high[0]! - lattice.low[0]! + (side < 2 ? 0 : 1)
        const cols = lattice.high[1]! - lattice.low[1]! + (side < 2 ? 1 : 0)
        const gain = this.area() - this.areas[rows * (MAX_SIDE + 1) + cols]!
        const cost = out.reduce((sum, word) => sum + this.words[word]!.length, 1) / (gain + 0.01)
        if (cost < bestCost) {
          bestCost = cost
          best = out
        }
      }
      if (best.length === 0 || best.length === lattice.laid) return
      for (const word of best) this.lift(word)
      this.mend()
      this.keepTogether()
    }
  }

  /** Takes out words until no letters lie beside each other without a word over them. */
  private mend(): void {
    const { lattice } = this
    for (let cell = lattice.bareCell(); cell >= 0; cell = lattice.bareCell()) {
      const word = lattice.owners[(lattice.uses[cell]! & 1) !== 0 ? ACROSS : DOWN][cell]!
      if (!this.isMovable(word)) return
      this.lift(word)
    }
  }

  /** Moves the layout to the middle of the lattice where it has drifted towards the rim. */
  centre(): void {
    const { low, high } = this.lattice
    const shift = ([0, 1] as const).map((axis) => ((SIDE - 1 - low[axis]! - high[axis]!) / 2) | 0)
    if (Math.abs(shift[0]!) < 5 && Math.abs(shift[1]!) < 5) return
    const placings = this.placings()
    for (const { word } of placings) this.lattice.remove(word)
    for (const { word, start, direction } of placings)
      this.lattice.place(word, start + shift[0]! * SIDE + shift[1]!, direction)
  }

  private isMovable(word: number): boolean {
    return this.lattice.start[word]! >= 0 && this.pinned[word] === 0
  }

  private wordsAtRim(side: number): number[] {
    const { lattice, words } = this
    const axis = (side >> 1) as 0 | 1
    return [...words.keys()].filter((word) => {
      if (lattice.start[word]! < 0) return false
      const from = axis === 0 ? lattice.start[word]! >> 6 : lattice.start[word]! & 63
      const to = lattice.direction[word] === axis ? from : from + words[word]!.length - 1
      return (side & 1) === 0 ? from === lattice.low[axis] : to === lattice.high[axis]
    })
  }

  private lift(word: number): void {
    this.log.push(word, this.lattice.start[word]!, this.lattice.direction[word]!, 0)
    this.lattice.remove(word)
  }

  private lay(word: number, start: number, direction: Direction): void {
    this.log.push(word, start, direction, 1)
    this.lattice.place(word, start, direction)
  }

  /** Lays a word in the best place that some noise lets it see. */
  private settle(word: number): void {
    const { lattice, random, words } = this
    const { length } = words[word]!
    if (lattice.laid === 0) return this.lay(word, (SIDE / 2) * SIDE + ((SIDE - length) >> 1), ACROSS)
    this.steps += SETTLE_STEPS
    const touch = random.next() < this.touch
    const { low, high } = lattice
    const { most, range } = this
    const ways = high[0]! - low[0]! + 1
    const across = high[1]! - low[1]! + 1
    // A word crosses the layout, so it makes the box longer one way at most: this is how far it may begin.
    range.firstRow = Math.max(RIM, high[0]! - most.rows[across]! + 1)
    range.lastRow = Math.min(SIDE - RIM, low[0]! + most.rows[across]!) - length
    range.firstCol = Math.max(RIM, high[1]! - most.cols[ways]! + 1)
    range.lastCol = Math.min(SIDE - RIM, low[1]! + most.cols[ways]!) - length
    const place = bestPlace(lattice, word, range, touch, random)
    this.steps += range.looked
    if (place < 0) return
    const mark = this.log.length
    if (!this.layWithOthers(word, place >> 1, (place & 1) as Direction, 0)) this.undo(mark)
  }

  /** Lays a word, and with it words for all runs that it makes beside its line. Leaves words laid where it fails. */
  private layWithOthers(word: number, start: number, direction: Direction, depth: number): boolean {
    const touched = this.lattice.touched(word, start, direction)
    this.lay(word, start, direction)
    return touched.every((cell) => this.cover(cell, (1 - direction) as Direction, depth + 1))
  }

  /** Lays a word over the run that goes through a cell. */
  private cover(cell: number, direction: Direction, depth: number): boolean {
    const { lattice, words } = this
    if ((lattice.uses[cell]! & (1 << direction)) !== 0) return true
    if (depth > DEEPEST) return false
    const step = direction === ACROSS ? 1 : SIDE
    let first = cell
    while (lattice.letters[first - step] !== 0) first -= step
    let last = cell
    while (lattice.letters[last + step] !== 0) last += step
    const run = (last - first) / step + 1
    const begin = this.random.below(words.length)
    for (let turn = 0; turn < words.length; turn++) {
      const word = (begin + turn) % words.length
      if (lattice.start[word]! >= 0) continue
      const letters = words[word]!
      for (let offset = 0; offset + run <= letters.length; offset++) {
        let same = true
        for (let index = 0; same && index < run; index++)
          same = letters[offset + index]! + 1 === lattice.letters[first + index * step]
        const start = first - offset * step
        if (!same || !this.fits(start, letters.length, direction)) continue
        this.steps++
        if (lattice.check(word, start, direction, true) < 1) continue
        const mark = this.log.length
        if (this.layWithOthers(word, start, direction, depth)) return true
        this.undo(mark)
      }
    }
    return false
  }

  /** Tells whether a word there keeps the layout within the box. */
  private fits(start: number, length: number, direction: Direction): boolean {
    const { low, high } = this.lattice
    const row = start >> 6
    const col = start & 63
    const lastRow = direction === DOWN ? row + length - 1 : row
    const lastCol = direction === ACROSS ? col + length - 1 : col
    if (row < RIM || col < RIM || lastRow > SIDE - 1 - RIM || lastCol > SIDE - 1 - RIM) return false
    const rows = Math.max(lastRow, high[0]!) - Math.min(row, low[0]!) + 1
    const cols = Math.max(lastCol, high[1]!) - Math.min(col, low[1]!) + 1
    return rows <= MAX_SIDE && cols <= MAX_SIDE && this.areas[rows * (MAX_SIDE + 1) + cols]! <= this.limit
  }
}
