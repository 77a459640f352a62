/** Longest gap between two moves that counts in full, in milliseconds: who is away for longer is not playing. */
export const IDLE_GAP = 60_000
/** Where a clock stops: more than eleven days of playing, in milliseconds. */
export const LONGEST_CLOCK = 1_000_000_000

/** How far a play's clock had come at its last move. */
export interface PlayClock {
  /** Milliseconds that counted. */
  clock: number
  /** When that was, in milliseconds since 1970. */
  movedAt: number
}

/**
 * Returns what a play's clock shows now. Of a gap it counts a minute at most, but lets a deadline pass: whoever closes
 * the
 * page gains no time for a question.
 */
export function clockAt({ clock, movedAt }: PlayClock, now: number, deadline: number | null): number {
  const gap = Math.max(0, now - movedAt)
  const counted = Math.min(gap, Math.max(IDLE_GAP, (deadline ?? 0) - clock))
  return Math.min(LONGEST_CLOCK, clock + counted)
}
