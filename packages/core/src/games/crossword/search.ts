import type { Random } from '../../random/random.ts'
import { boxAreas, MAX_SIDE, type Shape } from './boxes.ts'
import type { Placing } from './lattice.ts'
import { State } from './state.ts'

/** What counts as better: a smaller box, or more letters that two words share. */
export type Aim = 'compact' | 'helpful'

/** A layout, and what it came to. */
export interface Layout {
  placings: Placing[]
  /** Area of the smallest allowed box. */
  area: number
  crossings: number
  /** Words that at least two others cross. */
  crossedTwice: number
  /** Letters of words that are not laid. */
  missing: number
}

/** Temperatures between which the annealing goes to and fro, in letters, and iterations of one cooling. */
const COOLING = { compact: { hot: 3, cold: 0.7, period: 400 }, helpful: { hot: 8, cold: 1, period: 20_000 } }
/** Most words taken out at a time, and how often a word that is out is forced in instead. */
const MOST_OUT = 4
const FORCING = 0.3
/** What a crossing is worth beside a missing letter. */
const CROSSING = { compact: 0.4, helpful: 4 }
const CROSSED_TWICE = { compact: 0, helpful: 3 }
/** A box that was filled shrinks to so much of its area; one that can't be filled for so long grows halfway back. */
const SHRINK = 0.97
const PATIENCE = 3000
/** Area of the first box, per letter, and how it grows while the words do not all find a place. */
const ROOMY = 3
const GROW = 1.3
const FIRST_PATIENCE = 150
/** Iterations after which not all words are expected to find a place. */
const GIVE_UP = 1500
/** Steps that an iteration counts beside those of its words. */
const ITERATION_STEPS = 40
/** A helpful layout may take so much of the compact one's area. */
const HELPFUL_AREA = 1.18
/** Steps in which the two searches of the helpful aim take turns. */
const COMPACT_TURN = 300_000
const HELPFUL_TURN = 700_000

/**
 * Looks for layouts, step by step: the same words, shape and random numbers give the same layouts after the same steps.
 * A floating box shrinks whenever all words are laid in it; then a few words that cross each other are taken out, or a
 * missing word is forced in, and all is put back longest first with some noise; the outcome is kept or undone by
 * simulated annealing (Kirkpatrick, Gelatt and Vecchi, 1983), cooled again and again.
 */
class Annealing {
  best: Layout | undefined
  private readonly state: State
  private readonly words: readonly Uint16Array[]
  private readonly random: Random
  private readonly aim: Aim
  private iterations = 0
  private since = 0
  private ceiling = Infinity

  constructor(words: readonly Uint16Array[], aim: Aim, areas: Int32Array, random: Random, pins: readonly Placing[]) {
    this.words = words
    this.aim = aim
    this.random = random
    const total = words.reduce((sum, word) => sum + word.length, 0)
    const longest = Math.max(...words.map((word) => word.length))
    const touch = words.length <= 12 || total / words.length < 4.6 ? 0.3 : 0.05
    this.state = new State(words, areas, random, touch, pins)
    this.state.setLimit(Math.max(total * ROOMY, areas[longest * (MAX_SIDE + 1) + longest]!))
    this.state.putBack()
    this.state.keep()
    this.note()
  }

  get steps(): number {
    return this.state.steps
  }

  /** Keeps to boxes of no more than an area, from now on. */
  keepBelow(area: number): void {
    if (area === this.ceiling) return
    this.ceiling = area
    if (this.best && this.best.area > area) this.best = undefined
    this.state.setLimit(area)
    this.state.trim()
    this.state.keep()
  }

  iterate(): void {
    const { state } = this
    const before = this.energy()
    state.steps += ITERATION_STEPS
    if (state.lattice.laid === this.words.length || this.random.next() >= FORCING || !state.force())
      state.takeOut(MOST_OUT)
    state.putBack()
    if (state.keepTogether()) state.putBack()
    const after = this.energy()
    const { hot, cold, period } = COOLING[this.aim]
    const temperature = hot * (cold / hot) ** ((this.iterations % period) / period)
    const isKept =
      (after <= before || this.random.next() < Math.exp((before - after) / temperature)) && state.lattice.bareCell() < 0
    if (!isKept) state.undo()
    else this.note()
    state.keep()
    if (++this.iterations % 64 === 0) state.centre()
    this.breathe()
  }

  /** Lets the box grow where the words have long not found their places in it. */
  private breathe(): void {
    if (++this.since <= (this.best?.missing === 0 ? PATIENCE : FIRST_PATIENCE)) return
    this.since = 0
    if (this.ceiling < Infinity) return
    const { limit } = this.state
    if (this.best?.missing === 0)
      this.state.setLimit(Math.min(this.best.area - 1, limit + Math.max(1, (this.best.area - limit) >> 1)))
    else if (this.iterations < GIVE_UP) this.state.setLimit(Math.min(MAX_SIDE * MAX_SIDE, Math.ceil(limit * GROW)))
    else if (this.best) this.state.setLimit(Math.ceil(this.best.area * 1.02))
  }

  private energy(): number {
    const { lattice } = this.state
    let missing = 0
    for (let word = 0; word < this.words.length; word++)
      if (lattice.start[word]! < 0) missing += this.words[word]!.length + 1
    const twice = this.aim === 'helpful' ? lattice.crossedTwice() : 0
    return missing - CROSSING[this.aim] * lattice.crossings - CROSSED_TWICE[this.aim] * twice
  }

  /** Keeps the layout where it is the best so far; where the aim is a small box, the box shrinks. */
  private note(): void {
    const { state, best } = this
    const { lattice } = state
    let missing = 0
    for (let word = 0; word < this.words.length; word++)
      if (lattice.start[word]! < 0) missing += this.words[word]!.length
    if (best && missing > best.missing) return
    const area = state.area()
    const crossedTwice = lattice.crossedTwice()
    if (best && missing === best.missing) {
      const gain =
        this.aim === 'compact'
          ? best.area - area
          : lattice.crossings + crossedTwice - best.crossings - best.crossedTwice
      if (gain <= 0) return
    }
    this.best = { placings: state.placings(), area, crossings: lattice.crossings, crossedTwice, missing }
    this.since = 0
    if (this.aim === 'helpful' || missing > 0) return
    state.setLimit(Math.min(area - 1, Math.floor(area * SHRINK)))
    state.trim()
  }
}

/** Looks for layouts of words, given as rows of letter codes, for as many steps as asked; can go on at any time. */
export class LayoutSearch {
  private readonly aim: Aim
  private readonly compact: Annealing
  private readonly startHelpful: () => Annealing
  private helpful: Annealing | undefined

  constructor(words: readonly Uint16Array[], aim: Aim, shape: Shape, random: Random, pins: readonly Placing[] = []) {
    const areas = boxAreas(shape)
    this.aim = aim
    this.compact = new Annealing(words, 'compact', areas, random, pins)
    this.startHelpful = () => new Annealing(words, 'helpful', areas, random, pins)
    if (aim === 'helpful') this.helpful = this.startHelpful()
  }

  /** The best layout so far: with the most words, then by its aim. */
  get best(): Layout {
    const found = [this.helpful?.best, this.compact.best].filter((layout) => layout !== undefined)
    const fewest = Math.min(...found.map(({ missing }) => missing))
    const [first, second] = found.filter(({ missing }) => missing === fewest)
    if (!first) throw new Error('no words to lay')
    return this.aim === 'compact' && second && second.area < first.area ? second : first
  }

  /** Work done so far. */
  get steps(): number {
    return this.compact.steps + (this.helpful?.steps ?? 0)
  }

  /** Goes on until so many steps are done in all, or a little more. */
  advance(steps: number): void {
    while (this.steps < steps) {
      if (!this.takesTurns() || this.steps % (COMPACT_TURN + HELPFUL_TURN) < COMPACT_TURN) this.compact.iterate()
      else {
        const helpful = (this.helpful ??= this.startHelpful())
        if (this.compact.best?.missing === 0) helpful.keepBelow(Math.floor(this.compact.best.area * HELPFUL_AREA))
        helpful.iterate()
      }
    }
  }

  /** Whether both searches go on: also where a small box is wished, but not all words have found a place in one. */
  private takesTurns(): boolean {
    if (this.aim === 'helpful') return true
    return this.steps >= COMPACT_TURN && this.best.missing > 0
  }
}
