import type { ReportAttempt, ReportFacts } from './facts.ts'

/** A student's score over all work of a report that counts. */
export interface PersonScore {
  /** Of the best attempt at each piece of work, as a share from 0 to 1, in the mean; null where none was begun. */
  share: number | null
  /** Of the first attempt at each. */
  firstShare: number | null
  right: number
  total: number
  points: number
  milliseconds: number
  attempts: number
  /** Pieces of work begun. */
  begun: number
}

const shareOf = ({ right, total }: ReportAttempt): number => (total === 0 ? 0 : right / total)

/** Returns the best of attempts: the most right, of equals the first. */
export function bestOf(attempts: readonly ReportAttempt[]): ReportAttempt {
  return attempts.reduce((best, one) => (shareOf(one) > shareOf(best) ? one : best))
}

/** Returns each student's attempts at each piece of work that counts, in the order in which they began. */
export function attemptsByWork({ attempts }: Pick<ReportFacts, 'attempts'>): Map<string, ReportAttempt[]> {
  const found = new Map<string, ReportAttempt[]>()
  for (const attempt of attempts) {
    if (!attempt.scores || attempt.total === 0) continue
    const key = `${attempt.person} ${attempt.work}`
    const known = found.get(key)
    if (known) known.push(attempt)
    else found.set(key, [attempt])
  }
  return found
}

/** Returns the scores of all students, by their places. */
export function scoresOf(
  facts: Pick<ReportFacts, 'attempts' | 'persons'>,
  tries = attemptsByWork(facts),
): PersonScore[] {
  const scores = Array.from({ length: facts.persons }, () => ({ best: [] as ReportAttempt[], first: [] as number[] }))
  const played = Array.from({ length: facts.persons }, () => ({ milliseconds: 0, attempts: 0 }))
  for (const own of tries.values()) {
    const { person } = own[0]!
    scores[person]!.best.push(bestOf(own))
    scores[person]!.first.push(shareOf(own[0]!))
    played[person]!.attempts += own.length
    for (const { milliseconds } of own) played[person]!.milliseconds += milliseconds
  }
  return scores.map(({ best, first }, person) => ({
    share: mean(best.map(shareOf)),
    firstShare: mean(first),
    right: sum(best.map(({ right }) => right)),
    total: sum(best.map(({ total }) => total)),
    points: sum(best.map(({ points }) => points)),
    begun: best.length,
    ...played[person]!,
  }))
}

/** One step of a distribution: shares from this on, up to the next step, and how many have one. */
export interface Step {
  from: number
  to: number
  count: number
}

/** Returns how shares spread over equal steps from 0 to 1; the last step holds 1 too. */
export function distributionOf(shares: readonly number[], steps = 10): Step[] {
  const counts = Array.from({ length: steps }, (_, step) => ({ from: step / steps, to: (step + 1) / steps, count: 0 }))
  // A third of ten is 0.30000000000000004 of a step: what is meant is the step it begins.
  for (const share of shares) counts[Math.min(steps - 1, Math.floor(share * steps + 1e-9))]!.count++
  return counts
}

/** A mean over attempts of several students. */
export interface Progress {
  /** Number of the attempt, or the first moment of the week in milliseconds since 1970. */
  at: number
  share: number
  /** Attempts it is the mean of. */
  count: number
}

/** Returns how the mean share changes from attempt to attempt, of those who made at least two. */
export function progressByAttempt(facts: Pick<ReportFacts, 'attempts'>, tries = attemptsByWork(facts)): Progress[] {
  const shares: number[][] = []
  for (const own of tries.values())
    if (own.length > 1)
      for (const [index, attempt] of own.slice(0, MOST_ATTEMPTS).entries())
        (shares[index] ??= []).push(shareOf(attempt))
  return shares.map((list, index) => ({ at: index + 1, share: mean(list)!, count: list.length }))
}

const DAY = 86_400_000
/** Attempts of one student at one piece of work that progress is told of. */
const MOST_ATTEMPTS = 6

/**
 * Returns the mean share of the first attempts of each week. Weeks begin with Monday.
 *
 * @param offset of the time zone to UTC, in milliseconds
 */
export function progressByWeek(
  facts: Pick<ReportFacts, 'attempts'>,
  offset = 0,
  tries = attemptsByWork(facts),
): Progress[] {
  const weeks = new Map<number, number[]>()
  for (const [first] of tries.values()) {
    const week = weekOf(first!.startedAt, offset)
    const known = weeks.get(week)
    if (known) known.push(shareOf(first!))
    else weeks.set(week, [shareOf(first!)])
  }
  return [...weeks]
    .sort(([one], [other]) => one - other)
    .map(([at, shares]) => ({ at, share: mean(shares)!, count: shares.length }))
}

/** Returns the first moment of the week of a moment: 1970 began on a Thursday. */
function weekOf(at: number, offset: number): number {
  const day = Math.floor((at + offset) / DAY)
  return (day - ((((day + 3) % 7) + 7) % 7)) * DAY - offset
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((all, one) => all + one, 0)
}

function mean(numbers: readonly number[]): number | null {
  return numbers.length === 0 ? null : sum(numbers) / numbers.length
}
