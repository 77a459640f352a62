/** Longest gap between two moves that counts in full, in milliseconds: who is away for longer is not playing. */
export const IDLE_GAP = 60_000
/** Where a clock stops: more than eleven days of playing, in milliseconds. */
export const LONGEST_CLOCK = 1_000_000_000

/** How far a play's clock had come at its last move, and how it runs since. Moments are milliseconds since 1970. */
export interface PlayClock {
  /** Milliseconds that counted. */
  clock: number
  movedAt: number
  /** By how much longer this student may take: with 1.5, a minute and a half count as a minute. */
  factor?: number
  /** Milliseconds since the last move in which the game was paused for all. */
  paused?: number
}

/**
 * Returns what a play's clock shows at a moment. Of a gap it counts a minute at most, but lets a deadline pass: whoever
 * closes the page gains no time for a question.
 */
export function clockAt(
  { clock, movedAt, factor = 1, paused = 0 }: PlayClock,
  now: number,
  deadline: number | null,
): number {
  const gap = Math.max(0, now - movedAt - paused)
  const counted = Math.min(gap, Math.max(IDLE_GAP, ((deadline ?? 0) - clock) * factor))
  // Whole milliseconds, and none short of a deadline that has passed.
  return Math.min(LONGEST_CLOCK, clock + Math.ceil(counted / factor))
}

/** Returns the moment at which a play's clock shows a deadline, if it goes on running. */
export function momentOf({ clock, movedAt, factor = 1, paused = 0 }: PlayClock, deadline: number): number {
  return movedAt + paused + Math.max(0, deadline - clock) * factor
}

/** Longest time for which a move is believed to have waited on its device for a connection, in milliseconds. */
export const LONGEST_DELAY = 60_000
/** What a good connection takes is no delay, in milliseconds. */
const SHORTEST_DELAY = 1500

/**
 * Returns for how long a move waited on its device before it was sent, by that device's clock alone, so that it matters
 * little how wrong that clock is: 0 where nothing is said, or nothing that can be believed.
 */
export function delayOf({ madeAt, sentAt }: { madeAt?: number | undefined; sentAt?: number | undefined }): number {
  if (madeAt === undefined || sentAt === undefined) return 0
  const delay = sentAt - madeAt
  return delay >= SHORTEST_DELAY && delay <= LONGEST_DELAY ? delay : 0
}
