import type { WorkRules, WorkTimes } from './workRules.ts'

/** One attempt at set work: what it came to, when it began and when it ended. */
export interface Attempt {
  right: number
  total: number
  /** Milliseconds since 1970; null while it goes on. */
  endedAt: number | null
}

/** Where a student stands in one piece of set work. */
export interface WorkStanding {
  state: 'not-begun' | 'under-way' | 'done'
  /** Attempts begun. */
  attempts: number
  /** Share of right answers that counts, from 0 to 1; null where nothing counts yet. */
  share: number | null
  /** Whether the mark is reached; null where there is none, or nothing counts yet. */
  passed: boolean | null
  /** Whether what counts was ended after it was due. */
  late: boolean
}

/** Returns the share of right answers of an attempt; 0 where nothing was asked. */
function shareOf({ right, total }: Attempt): number {
  return total === 0 ? 0 : right / total
}

/**
 * Returns where a student stands after attempts, in the order in which they began. What is over counts; once the work is
 * closed, an attempt that was left counts as far as it came.
 */
export function standingOf(
  { counted, pass }: Pick<WorkRules, 'counted' | 'pass'>,
  { dueAt, closesAt }: WorkTimes,
  attempts: readonly Attempt[],
  now: number,
): WorkStanding {
  const isClosed = closesAt !== null && now >= closesAt
  const counting = attempts.filter(({ endedAt }) => endedAt !== null || isClosed)
  const isUnderWay = attempts.length > counting.length
  const nothing = { share: null, passed: null, late: false }
  if (attempts.length === 0) return { state: 'not-begun', attempts: 0, ...nothing }
  if (counting.length === 0) return { state: 'under-way', attempts: attempts.length, ...nothing }
  const chosen = chosenOf(counting, counted)
  const share = chosen.reduce((sum, one) => sum + shareOf(one), 0) / chosen.length
  return {
    state: isUnderWay ? 'under-way' : 'done',
    attempts: attempts.length,
    share,
    passed: pass === 0 ? null : isAtLeast(share, pass / 100),
    late: dueAt !== null && chosen.some(({ endedAt }) => (endedAt ?? closesAt ?? now) > dueAt),
  }
}

/** Returns the attempts that count; of equal ones, the one that was done first. */
function chosenOf(counting: readonly Attempt[], counted: WorkRules['counted']): readonly Attempt[] {
  if (counted === 'mean') return counting
  if (counted === 'first') return counting.slice(0, 1)
  if (counted === 'last') return counting.slice(-1)
  return [counting.reduce((best, one) => (shareOf(one) > shareOf(best) ? one : best))]
}

/** Compares shares so that 7 of 10 reaches 70 %, whatever floating point makes of it. */
function isAtLeast(share: number, mark: number): boolean {
  return share >= mark - 1e-9
}
