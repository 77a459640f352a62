import { randomFrom } from '../../random/random.ts'
import type { PebblesOptions, TwistLevel } from './options.ts'
import {
  effectOf,
  drawTwist,
  lastQuarter,
  narrows,
  PEBBLE_POINTS,
  turnsLeft,
  twistChances,
  type HiddenTwist,
} from './twists.ts'

/** What is played, for a forecast of how much of it is knowing, and how much is chance. */
export type SwingSetting = Pick<PebblesOptions, 'answers' | 'wrong' | 'twists' | 'teams' | 'pebbles'>

/** The shares of their questions that the best and the weakest team know: so much is assumed. Others lie between. */
export const BEST_KNOWS = 0.8
export const WEAKEST_KNOWS = 0.6

/** So many games are played, or fewer of those that take long: as many as are played in some 50 ms. */
const GAMES = 1200
const ANSWERS = 200_000
const PEBBLES = 28_000

/** Returns the share of questions that each team knows; the first one knows most. */
function knowing(teams: number): number[] {
  return Array.from({ length: teams }, (_, team) =>
    teams === 1 ? BEST_KNOWS : BEST_KNOWS - ((BEST_KNOWS - WEAKEST_KNOWS) * team) / (teams - 1),
  )
}

/** How a game stands between two pebbles, as far as its outcome goes. */
interface Standing {
  points: number[]
  turn: number
  left: number
}

/** Plays a pebble: changes how the game stands. `knows` tells of each team whether it knows this one. */
function playPebble(
  standing: Standing,
  knows: (team: number) => boolean,
  hidden: HiddenTwist | null,
  { answers, wrong, twists, pebbles }: SwingSetting,
): void {
  const { points, turn } = standing
  const count = points.length
  const answer = (team: number): boolean => {
    const right = knows(team)
    const has = points[team]!
    if (right) points[team] = has + PEBBLE_POINTS
    else if (wrong === 'points') points[team] = has - PEBBLE_POINTS
    else if (wrong === 'everything') points[team] = Math.min(0, has)
    return right
  }
  const right = answer(turn)
  if (answers === 'all') for (let other = 1; other < count; other++) answer((turn + other) % count)
  else if (answers === 'next' && !right && count > 1) answer((turn + 1) % count)
  standing.left--
  standing.turn = (turn + 1) % count
  if (hidden) {
    const { changes, again } = effectOf(hidden, { points, team: turn, right, value: PEBBLE_POINTS })
    for (let team = 0; team < count; team++) points[team]! += changes[team]!
    if (again) standing.turn = turn
  }
  if (twists === 'lively' && standing.left === lastQuarter(pebbles)) {
    const lift = narrows(points, turnsLeft(standing.left, standing.turn, { teams: count, answers }), PEBBLE_POINTS)
    for (let team = 0; team < count; team++) points[team]! += lift[team]!
  }
}

/** Returns the best team's share of a win: all of it, or its part of a tie. */
function bestShare(points: readonly number[], best: number): number {
  let ties = 0
  for (const has of points) {
    if (has > points[best]!) return 0
    if (has === points[best]) ties++
  }
  return 1 / ties
}

/**
 * Returns how often the team that knows most wins, from 0 to 1, a tie of so many as a part of one: played so often by
 * chance, from each place in the order of turns.
 */
export function simulatedSwing(setting: SwingSetting, games: number = gamesFor(setting)): number {
  const random = randomFrom(`swing ${JSON.stringify(setting)}`)
  const { teams, pebbles, twists } = setting
  const known = knowing(teams)
  let wins = 0
  const chances = twistChances(twists, { pebbles, teams })
  for (let game = 0; game < games; game++) {
    const best = game % teams
    const standing: Standing = { points: known.map(() => 0), turn: 0, left: pebbles }
    const knows = (team: number): boolean => random.next() < known[(team - best + teams) % teams]!
    while (standing.left > 0)
      playPebble(standing, knows, chances.length > 0 ? drawTwist(chances, random) : null, setting)
    wins += bestShare(standing.points, best)
  }
  return wins / games
}

function gamesFor({ answers, pebbles, teams }: SwingSetting): number {
  const least = Math.min(ANSWERS / (pebbles * (answers === 'all' ? teams : 1)), PEBBLES / pebbles)
  return Math.max(500, Math.min(GAMES, Math.round(least)))
}

/**
 * Returns the same exactly, by going through all that can happen: for the smallest of games. The luck of a twist is
 * taken in equal parts, fine enough for as many teams as there are.
 */
export function enumeratedSwing(setting: SwingSetting): number {
  const { teams, pebbles, twists } = setting
  const known = knowing(teams)
  const parts = Array.from({ length: teams }, (_, team) => team + 2).reduce((product, count) => lcm(product, count), 1)
  const branches: { hidden: HiddenTwist | null; chance: number }[] = twistChances(twists, { pebbles, teams }).flatMap(
    ({ twist, chance }) =>
      Array.from({ length: parts }, (_, part) => ({
        hidden: { twist, luck: (part + 0.5) / parts },
        chance: chance / parts,
      })),
  )
  branches.push({ hidden: null, chance: 1 - branches.reduce((sum, { chance }) => sum + chance, 0) })
  const all = Array.from({ length: 2 ** teams }, (_, bits) => known.map((__, team) => ((bits >> team) & 1) === 1))
  let share = 0
  for (const best of known.keys()) {
    const seen = new Map<string, number>()
    const from = (standing: Standing): number => {
      if (standing.left === 0) return bestShare(standing.points, best)
      const key = JSON.stringify(standing)
      const before = seen.get(key)
      if (before !== undefined) return before
      let sum = 0
      for (const answers of all) {
        const chance = answers.reduce((product, right, team) => {
          const knows = known[(team - best + teams) % teams]!
          return product * (right ? knows : 1 - knows)
        }, 1)
        for (const branch of branches) {
          if (branch.chance === 0) continue
          const after = { ...standing, points: [...standing.points] }
          playPebble(after, (team) => answers[team]!, branch.hidden, setting)
          sum += chance * branch.chance * from(after)
        }
      }
      seen.set(key, sum)
      return sum
    }
    share += from({ points: known.map(() => 0), turn: 0, left: pebbles }) / teams
  }
  return share
}

function lcm(one: number, other: number): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
  return (one * other) / gcd(one, other)
}

/** How often the team that knows most wins, with Twists as chosen and without. */
export interface Swing {
  twists: TwistLevel
  share: number
  plain: number
}

/** Returns the forecast that a teacher is told. */
export function swingOf(setting: SwingSetting): Swing {
  const plain = simulatedSwing({ ...setting, twists: 'off' })
  return { twists: setting.twists, plain, share: setting.twists === 'off' ? plain : simulatedSwing(setting) }
}
