import type { Random } from '../../random/random.ts'
import type { BingoOptions } from './options.ts'
import { winningCall, type PatternLines } from './patterns.ts'
import type { BingoCard, Plan } from './puzzle.ts'

type Wish = Pick<BingoOptions, 'firstWin' | 'winners' | 'fiveBy'>

/**
 * Orders begun anew, exchanges tried on each until nobody wins too soon, and looks for a call with the right winners.
 */
const RESTARTS = 20
const EXCHANGES = 1500
const LOOKS = 200
/** Terms tried as the one to come in for another. */
const TRIED = 12
const FIVE = 5

/** A set of called terms, and how many lines of each card are complete; kept up as terms come and go. */
class Called {
  readonly isIn: Uint8Array
  /** How many lines there are too many for nobody to have won; and how many cards have won. */
  excess = 0
  winners = 0
  /** Complete lines of each card. */
  private readonly done: Int32Array
  private readonly length: Int32Array
  private readonly count: Int32Array
  private readonly cardOf: Int32Array
  private readonly linesOf: number[][]
  private readonly needed: number

  constructor(cards: readonly BingoCard[], { lines, needed }: PatternLines, terms: number) {
    this.needed = needed
    this.isIn = new Uint8Array(terms)
    this.done = new Int32Array(cards.length)
    this.count = new Int32Array(cards.length * lines.length)
    this.cardOf = Int32Array.from(this.count, (_, line) => Math.floor(line / lines.length))
    this.length = Int32Array.from(this.count, (_, line) => lines[line % lines.length]!.length)
    this.linesOf = Array.from({ length: terms }, () => [])
    cards.forEach(({ cells }, card) =>
      lines.forEach((line, index) =>
        line.forEach((place) => this.linesOf[cells[place] ?? 0]!.push(card * lines.length + index)),
      ),
    )
  }

  add(term: number): void {
    this.isIn[term] = 1
    for (const line of this.linesOf[term]!) {
      if (++this.count[line]! !== this.length[line]) continue
      const done = ++this.done[this.cardOf[line]!]!
      if (done >= this.needed) this.excess++
      if (done === this.needed) this.winners++
    }
  }

  remove(term: number): void {
    this.isIn[term] = 0
    for (const line of this.linesOf[term]!) {
      if (this.count[line]!-- !== this.length[line]) continue
      const done = this.done[this.cardOf[line]!]!--
      if (done >= this.needed) this.excess--
      if (done === this.needed) this.winners--
    }
  }

  /** How near the cards are to winning: lines that lack one term only. */
  near(): number {
    let count = 0
    for (let line = 0; line < this.count.length; line++) if (this.count[line] === this.length[line]! - 1) count++
    return count
  }
}

/**
 * Finds an order of calls with which the game goes as wished. A call is drawn at which the first bingo is to come;
 * terms called before it are exchanged until nobody has won by then (min-conflicts, Minton and others, 1992); then
 * comes a term that lets as many win as wished, then terms that let others win soon. Begun anew where it fails; where
 * the wish is out of reach, the order comes as near as was found.
 */
export function planCalls(
  cards: readonly BingoCard[],
  pattern: PatternLines,
  terms: number,
  wish: Wish,
  random: Random,
): { calls: number[]; plan: Plan } {
  const all = Array.from({ length: terms }, (_, term) => term)
  const free = wish.firstWin === null && wish.winners === null && wish.fiveBy === null
  const judge = (calls: number[]): { calls: number[]; plan: Plan; penalty: number } => {
    const plan = courseOf(cards, pattern, calls)
    const penalty = penaltyOf(plan, wish, cards.length)
    return { calls, plan: { ...plan, met: penalty === 0, reachable: null }, penalty }
  }
  let best = judge(random.shuffled(all))
  for (let restart = 0; restart < RESTARTS && best.penalty > 0 && !free; restart++) {
    const course = judge(orderFor(cards, pattern, terms, wish, restart, random))
    if (course.penalty < best.penalty) best = course
  }
  const reachable: Plan['reachable'] = free
    ? null
    : [
        earliest(pattern),
        best.penalty === 0 && wish.firstWin ? wish.firstWin[1] : latest(cards, pattern, terms, random),
      ]
  return { calls: best.calls, plan: { ...best.plan, reachable } }
}

/** Plays an order of calls through. */
function courseOf(
  cards: readonly BingoCard[],
  pattern: PatternLines,
  calls: readonly number[],
): Pick<Plan, 'firstWin' | 'winners' | 'wonBy'> {
  const callOf = new Map(calls.map((term, index) => [term, index + 1]))
  const wins = cards.map(({ cells }) => winningCall(pattern, (place) => callOf.get(cells[place] ?? -1) ?? Infinity))
  const firstWin = Math.min(...wins)
  return {
    firstWin,
    winners: wins.filter((win) => win === firstWin).length,
    wonBy: calls.map((_, index) => wins.filter((win) => win <= index + 1).length),
  }
}

function penaltyOf(
  { firstWin, winners: now, wonBy }: Pick<Plan, 'firstWin' | 'winners' | 'wonBy'>,
  { firstWin: first, winners, fiveBy }: Wish,
  cards: number,
): number {
  let penalty = 0
  if (first) penalty += 3 * Math.max(0, first[0] - firstWin, firstWin - first[1])
  if (winners !== null) penalty += Math.abs(now - winners)
  if (fiveBy !== null) penalty += Math.max(0, Math.min(FIVE, cards) - (wonBy[fiveBy - 1] ?? cards))
  return penalty
}

/** Tries once to find an order as wished; gives what came of it. */
function orderFor(
  cards: readonly BingoCard[],
  pattern: PatternLines,
  terms: number,
  { firstWin: first, winners, fiveBy }: Wish,
  restart: number,
  random: Random,
): number[] {
  const least = Math.max(earliest(pattern), first?.[0] ?? 1)
  const most = Math.max(least, Math.min(terms, first?.[1] ?? fiveBy ?? terms))
  // The later, the harder: what failed is tried sooner.
  const call = least + random.below(Math.ceil((most - least + 1) / (1 + (restart >> 1))))
  const called = new Called(cards, pattern, terms)
  const before = random.shuffled([...called.isIn.keys()])
  const early = before.slice(0, call - 1)
  const late = before.slice(call - 1)
  for (const term of early) called.add(term)
  clear(called, early, late, random)

  let decisive = -1
  for (let look = 0; look < LOOKS && decisive < 0; look++) {
    const fitting = late.flatMap((term, index) => {
      called.add(term)
      const now = called.winners
      called.remove(term)
      return now > 0 && (winners === null || now === winners) ? [index] : []
    })
    if (fitting.length > 0) decisive = fitting[random.below(fitting.length)]!
    else if (early.length === 0) break
    else exchange(called, early, late, random.below(early.length), random)
  }
  const order = random.shuffled(early)
  if (decisive >= 0) {
    const [term] = late.splice(decisive, 1)
    order.push(term!)
    called.add(term!)
  }
  for (
    let next = order.length + 1;
    fiveBy !== null && next <= fiveBy && late.length > 0 && called.winners < FIVE;
    next++
  ) {
    const begin = random.below(late.length)
    let best = 0
    let bestGain = -1
    for (let turn = 0; turn < late.length; turn++) {
      const index = (begin + turn) % late.length
      called.add(late[index]!)
      const gain = called.winners * cards.length * 20 + called.near()
      called.remove(late[index]!)
      if (gain > bestGain) {
        bestGain = gain
        best = index
      }
    }
    const [term] = late.splice(best, 1)
    order.push(term!)
    called.add(term!)
  }
  return [...order, ...late]
}

/** Exchanges early terms for late ones until nobody has won; true where that came about. */
function clear(called: Called, early: number[], late: number[], random: Random): boolean {
  for (let turn = 0; turn < EXCHANGES; turn++) {
    if (called.excess === 0) return true
    if (late.length === 0 || early.length === 0) return false
    exchange(called, early, late, random.below(early.length), random)
  }
  return called.excess === 0
}

/** Exchanges an early term for the best of a few late ones, unless all would make it worse. */
function exchange(called: Called, early: number[], late: number[], at: number, random: Random): void {
  const before = called.excess
  called.remove(early[at]!)
  let best = -1
  let bestExcess = Infinity
  for (let turn = 0; turn < Math.min(TRIED, late.length); turn++) {
    const index = random.below(late.length)
    called.add(late[index]!)
    const excess = called.excess
    called.remove(late[index]!)
    if (excess < bestExcess) {
      bestExcess = excess
      best = index
    }
  }
  // A step back now and then leads out of a dead end.
  if (best >= 0 && (bestExcess <= before || random.next() < 0.02)) [early[at], late[best]] = [late[best]!, early[at]!]
  called.add(early[at]!)
}

/** The earliest bingo there can be: its lines called first. */
function earliest({ lines, needed }: PatternLines): number {
  if (needed === 1) return Math.min(...lines.map((line) => line.length))
  return Math.min(...lines.flatMap((one, index) => lines.slice(index + 1).map((two) => new Set([...one, ...two]).size)))
}

/** The latest first bingo that was found: one term more is called as long as nobody need have won. */
function latest(cards: readonly BingoCard[], pattern: PatternLines, terms: number, random: Random): number {
  const called = new Called(cards, pattern, terms)
  const late = random.shuffled([...called.isIn.keys()])
  const early: number[] = []
  while (late.length > 0) {
    const term = late[late.length - 1]!
    late.pop()
    early.push(term)
    called.add(term)
    if (!clear(called, early, late, random)) return early.length
  }
  return terms
}
