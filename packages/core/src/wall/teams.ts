import { z } from 'zod'

/** Most teams at one wall. */
export const MOST_TEAMS = 10
/** Most that is awarded or taken away at once, and longest time that a timer is set to, in seconds. */
const MOST_AWARDED = 10_000
const LONGEST_TIMER = 3600

/** A timer that runs until a moment, in milliseconds since 1970, or stands still with so many milliseconds left. */
export type Timer = { endsAt: number } | { left: number }

/** How teams at one wall stand. */
export interface TeamState {
  /** The team whose turn it is, from 0. */
  turn: number
  /** What each has; may be below 0. */
  points: number[]
  timer: Timer | null
}

const Team = z
  .number()
  .int()
  .min(0)
  .max(MOST_TEAMS - 1)

/** What a teacher can do in every game that teams play, whatever stands on the wall. */
export const TeamMove = z.discriminatedUnion('type', [
  /** Points by hand; below 0 they are taken away. */
  z.object({ type: z.literal('award'), team: Team, points: z.number().int().min(-MOST_AWARDED).max(MOST_AWARDED) }),
  z.object({ type: z.literal('give-turn'), team: Team }),
  z.object({ type: z.literal('set-timer'), seconds: z.number().int().min(1).max(LONGEST_TIMER) }),
  z.object({ type: z.literal('pause-timer') }),
  z.object({ type: z.literal('run-timer') }),
  z.object({ type: z.literal('stop-timer') }),
])
export type TeamMove = z.infer<typeof TeamMove>

const TYPES = new Set<string>(TeamMove.options.map(({ shape }) => shape.type.value))

/** Tells whether a move is one that all games of teams have. */
export function isTeamMove(move: { type: string }): move is TeamMove {
  return TYPES.has(move.type)
}

/** Returns how so many teams begin. */
export function startTeams(count: number): TeamState {
  return { turn: 0, points: Array.from({ length: count }, () => 0), timer: null }
}

/** Returns the state with points added to a team; less than nothing takes away. */
export function credited(state: TeamState, team: number, points: number): TeamState {
  if (points === 0) return state
  return { ...state, points: state.points.map((had, index) => (index === team ? had + points : had)) }
}

/** Returns whose turn comes next, of so many who take turns. */
export function nextTurn(turn: number, teams: number): number {
  return (turn + 1) % teams
}

/** Returns what each team has and whose turn it is; nothing where one plays alone. */
export function turnsShown({ points, turn }: TeamState): { points: number; turn: boolean }[] {
  return points.length > 1 ? points.map((has, team) => ({ points: has, turn: team === turn })) : []
}

/** Returns a timer that runs from now. */
export function timerOf(seconds: number, now: number): Timer {
  return { endsAt: now + seconds * 1000 }
}

/** Returns how many milliseconds a timer has left; never below 0. */
export function timerLeft(timer: Timer, now: number): number {
  return Math.max(0, 'left' in timer ? timer.left : timer.endsAt - now)
}

/** Applies a move that all games of teams have. Returns the very state where it changes nothing. */
export function teamsMoved(state: TeamState, move: TeamMove, { now }: { now: number }): TeamState {
  const { points, turn, timer } = state
  switch (move.type) {
    case 'award':
      return move.team < points.length ? credited(state, move.team, move.points) : state
    case 'give-turn':
      return move.team < points.length && move.team !== turn ? { ...state, turn: move.team } : state
    case 'set-timer':
      return { ...state, timer: timerOf(move.seconds, now) }
    case 'pause-timer':
      return timer && 'endsAt' in timer ? { ...state, timer: { left: timerLeft(timer, now) } } : state
    case 'run-timer':
      return timer && 'left' in timer ? { ...state, timer: { endsAt: now + timer.left } } : state
    case 'stop-timer':
      return timer ? { ...state, timer: null } : state
  }
}
