import type { Random } from '../../random/random.ts'
import type { TwistLevel } from './options.ts'

/** What a pebble is worth where the list says nothing. */
export const PEBBLE_POINTS = 10

/** Chance events between teams. */
export const TWISTS = [
  /** A right answer is worth half as much again. */
  'tailwind',
  /** Every team gets half a pebble. */
  'rising-water',
  /** The team that has least gets half a pebble. */
  'raft',
  /** A right answer gives half of it to the next team as well. */
  'shared-catch',
  /** After a right answer the same team goes again. */
  'eddy',
  /** A right answer is worth twice as much; a wrong one costs as much as the pebble. */
  'heavy-net',
  /** The team that has most gives half a pebble to the one that has least. */
  'low-bridge',
  /** The team that has most and the one that has least come a quarter of the way towards each other. */
  'ferry',
  /** A team drawn by chance gets a pebble. */
  'gift',
  /** A team drawn by chance, of those behind, is carried level with the first. */
  'high-water',
] as const
export type Twist = (typeof TWISTS)[number]

/** Twists that are told before the answer, since they need one to be won. */
const NEED_ANSWER: ReadonlySet<Twist> = new Set(['tailwind', 'shared-catch', 'eddy', 'heavy-net'])

/** Tells whether a twist needs an answer to be won. */
export function needsAnswer(twist: Twist): boolean {
  return NEED_ANSWER.has(twist)
}

/** The share of pebbles that hide a twist, how many do at most, and how often each is drawn beside the others. */
const LEVELS: Record<TwistLevel, { share: number; most: number; weights: readonly (readonly [Twist, number])[] }> = {
  off: { share: 0, most: 0, weights: [] },
  gentle: {
    share: 0.25,
    most: 8,
    weights: [
      ['tailwind', 3],
      ['rising-water', 2],
      ['raft', 2],
      ['shared-catch', 2],
      ['eddy', 2],
    ],
  },
  lively: {
    share: 0.5,
    most: 10,
    weights: [
      ['tailwind', 6],
      ['rising-water', 4],
      ['raft', 4],
      ['shared-catch', 4],
      ['eddy', 6],
      ['heavy-net', 6],
      ['low-bridge', 4],
      ['ferry', 3],
      ['gift', 4],
      ['high-water', 1],
    ],
  },
}

/** A twist under a pebble, with the chance that it will need: a number from 0 to below 1. */
export interface HiddenTwist {
  twist: Twist
  luck: number
}

/** From so many teams on, each names so few pebbles that fewer twists must do. */
const MANY_TEAMS = 3

/** How many pebbles lie in a riverbed, and for how many teams. */
export interface Riverbed {
  pebbles: number
  teams: number
}

/** Returns the chance of each twist to lie under any one pebble; what is left of 1 is none. */
export function twistChances(level: TwistLevel, { pebbles, teams }: Riverbed): { twist: Twist; chance: number }[] {
  const { share: usual, most, weights } = LEVELS[level]
  const share = Math.min(usual, most / pebbles) * Math.min(1, MANY_TEAMS / teams)
  const sum = weights.reduce((total, [, weight]) => total + weight, 0)
  return weights.map(([twist, weight]) => ({ twist, chance: (share * weight) / sum }))
}

/** Hides twists under pebbles; null for those that have none. */
export function hideTwists(level: TwistLevel, riverbed: Riverbed, random: Random): (HiddenTwist | null)[] {
  const chances = twistChances(level, riverbed)
  return Array.from({ length: riverbed.pebbles }, () => drawTwist(chances, random))
}

/** Draws what one pebble hides. */
export function drawTwist(chances: readonly { twist: Twist; chance: number }[], random: Random): HiddenTwist | null {
  let left = random.next()
  for (const { twist, chance } of chances) if ((left -= chance) < 0) return { twist, luck: random.next() }
  return null
}

/** What became of a pebble, as a twist looks at it. */
export interface TwistScene {
  points: readonly number[]
  /** The team that named the pebble, and whether it was right; null where it did not answer. */
  team: number
  right: boolean | null
  value: number
}

/** What a twist does: points added to each team, and whether the same team goes again. */
export interface TwistEffect {
  changes: number[]
  again: boolean
}

/** Returns what a twist does. Pure: the same scene and luck have the same effect. */
export function effectOf({ twist, luck }: HiddenTwist, { points, team, right, value }: TwistScene): TwistEffect {
  const changes = points.map(() => 0)
  const most = Math.max(...points)
  const least = Math.min(...points)
  const half = Math.round(value / 2)
  const drawnOf = (teams: readonly number[]): number => teams[Math.floor(luck * teams.length)]!
  const all = [...points.keys()]
  const first = drawnOf(all.filter((one) => points[one] === most))
  const last = drawnOf(all.filter((one) => points[one] === least))
  const give = (to: number, what: number): void => {
    changes[to]! += what
  }
  switch (twist) {
    case 'tailwind':
      if (right) give(team, half)
      break
    case 'rising-water':
      for (const one of all) give(one, half)
      break
    case 'raft':
      give(last, half)
      break
    case 'shared-catch':
      if (right && points.length > 1) give((team + 1) % points.length, half)
      break
    case 'eddy':
      return { changes, again: right === true }
    case 'heavy-net':
      if (right !== null) give(team, right ? value : -value)
      break
    case 'low-bridge':
      if (most > least) {
        give(first, -half)
        give(last, half)
      }
      break
    case 'ferry': {
      const way = Math.round((most - least) / 4)
      if (way > 0) {
        give(first, -way)
        give(last, way)
      }
      break
    }
    case 'gift':
      give(drawnOf(all), value)
      break
    case 'high-water': {
      const behind = all.filter((one) => points[one]! < most)
      if (behind.length > 0) {
        const carried = drawnOf(behind)
        give(carried, most - points[carried]!)
      }
      break
    }
  }
  return { changes, again: false }
}

/** Returns how many pebbles are left when the last quarter of a game begins. */
export function lastQuarter(pebbles: number): number {
  return Math.ceil(pebbles / 4)
}

/**
 * Returns what the narrows of a lively game give to each team as its last quarter begins: whoever is too far behind to
 * come first by its own answers is carried into reach. Nobody loses anything.
 *
 * @param turns pebbles that each team may still answer
 * @param value the least that one of them is worth
 */
export function narrows(points: readonly number[], turns: readonly number[], value: number): number[] {
  const most = Math.max(...points)
  return points.map((has, team) => Math.max(0, most - has - Math.max(1, turns[team]!) * value))
}

/** Returns how many of the pebbles left each team may answer, where turns go round from the one whose turn it is. */
export function turnsLeft(
  left: number,
  turn: number,
  { teams, answers }: { teams: number; answers: 'team' | 'next' | 'all' },
): number[] {
  const named = (team: number): number => Math.ceil(Math.max(0, left - ((team - turn + teams) % teams)) / teams)
  return Array.from({ length: teams }, (_, team) =>
    answers === 'all' ? left : named(team) + (answers === 'next' ? named((team - 1 + teams) % teams) : 0),
  )
}
