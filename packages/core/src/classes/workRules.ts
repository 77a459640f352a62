import { z } from 'zod'
import { GAME_KINDS } from '../games/kinds.ts'

/** Most attempts that are given to one student. */
export const MOST_ATTEMPTS = 20

/** Most games of one piece of work. */
export const MOST_KINDS = 5

/** Longest time for an attempt, in minutes. */
export const MOST_MINUTES = 300

/** What holds for work that is set for a class, beside how its game is played. Each has a default that forbids nothing. */
export const WorkRules = z.strictObject({
  /** Whoever has the link, who taps a name of the class, who has signed in, or nobody but the teacher. */
  who: z.enum(['anyone', 'names', 'signed-in', 'me']).default('anyone'),
  /** Students of the class it is set for; none: for all. */
  students: z.array(z.uuid()).max(300).default([]),
  /** Games of which each student picks one, in the order of the offer's; none: there is one to play. */
  kinds: z.array(z.enum(GAME_KINDS)).max(MOST_KINDS).default([]),
  /** How often one may play it; null for as often as one likes. */
  attempts: z.number().int().min(1).max(MOST_ATTEMPTS).nullable().default(null),
  /** Attempts of those who have another number of them, by student. */
  attemptsOf: z.record(z.uuid(), z.number().int().min(1).max(MOST_ATTEMPTS)).default({}),
  /** How long one attempt may take, in minutes; null for as long as it takes. */
  minutes: z.number().int().min(1).max(MOST_MINUTES).nullable().default(null),
  /** By how much longer named students may take, by student. */
  factorOf: z.record(z.uuid(), z.number().min(1).max(4)).default({}),
  /** Which of several attempts counts. */
  counted: z.enum(['best', 'first', 'last', 'mean']).default('best'),
  /** Share of right answers that passes, in per cent; 0 for no mark. */
  pass: z.number().int().min(0).max(100).default(0),
  /** What students see of an attempt that is over: all, its score alone, or all once it was due. */
  shown: z.enum(['all', 'score', 'after-due']).default('all'),
})
export type WorkRules = z.infer<typeof WorkRules>

/** When work can be done; moments in milliseconds since 1970, null for none. */
export interface WorkTimes {
  opensAt: number | null
  /** What is done later counts, and is called late. */
  dueAt: number | null
  closesAt: number | null
}

/** Tells whether work can be done now. */
export function isOpenAt({ opensAt, closesAt }: WorkTimes, now: number): boolean {
  return (opensAt === null || opensAt <= now) && (closesAt === null || now < closesAt)
}

/** Returns how often a student may play; null for as often as one likes. */
export function attemptsFor(rules: WorkRules, studentId: string | null): number | null {
  return (studentId !== null ? rules.attemptsOf[studentId] : undefined) ?? rules.attempts
}

/** Returns by how much longer a student may take. */
export function factorFor({ factorOf }: Pick<WorkRules, 'factorOf'>, studentId: string | null): number {
  return (studentId !== null ? factorOf[studentId] : undefined) ?? 1
}

/**
 * Returns the moment at which an attempt is over that began at one, in milliseconds since 1970; null where it may take as
 * long as it takes. While all is paused no time passes.
 */
export function endOfAttempt(
  { minutes }: Pick<WorkRules, 'minutes'>,
  { begunAt, factor, paused }: { begunAt: number; factor: number; paused: number },
): number | null {
  return minutes === null ? null : begunAt + Math.round(minutes * 60_000 * factor) + paused
}

/** Why an attempt can't be begun. */
export type Refusal = 'not-yet' | 'closed' | 'no-attempts' | 'not-for-you'

/** What one who comes may do: go on with the attempt under way, begin one, or neither. */
export type Admission = 'go-on' | 'begin' | Refusal

/**
 * Returns what one may do who has begun so many attempts. An attempt under way is gone on with while the work is open:
 * it can't be left for a better one, and the number of attempts never forbids it.
 */
export function admissionOf(
  rules: WorkRules,
  times: WorkTimes,
  { studentId, begun, isUnderWay }: { studentId: string | null; begun: number; isUnderWay: boolean },
  now: number,
): Admission {
  if (rules.who === 'me') return 'not-for-you'
  if (rules.students.length > 0 && (studentId === null || !rules.students.includes(studentId))) return 'not-for-you'
  if (times.opensAt !== null && now < times.opensAt) return 'not-yet'
  if (times.closesAt !== null && now >= times.closesAt) return 'closed'
  if (isUnderWay) return 'go-on'
  const most = attemptsFor(rules, studentId)
  return most !== null && begun >= most ? 'no-attempts' : 'begin'
}

/** Tells whether a student may see the right answers of an attempt that is over. */
export function showsAnswers({ shown }: WorkRules, { dueAt, closesAt }: WorkTimes, now: number): boolean {
  if (shown === 'all') return true
  const until = dueAt ?? closesAt
  return shown === 'after-due' && (until === null || now >= until)
}
