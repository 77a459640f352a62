import type { SetWork } from '@otter/api'
import { momentFrom, PlayRules, WorkRules, type GameKind } from '@otter/core'

/** What a teacher chooses where work is set; times as clocks show them, empty for none. */
export interface WorkChoice {
  classIds: string[]
  name: string
  note: string
  opensAt: string
  dueAt: string
  closesAt: string
  play: PlayRules
  work: WorkRules
  /** Of the list only what each class has missed. */
  missed: boolean
  /** Further games, of which each student picks one. */
  others: GameKind[]
}

export const WORK_CHOICE: WorkChoice = {
  classIds: [],
  name: '',
  note: '',
  opensAt: '',
  dueAt: '',
  closesAt: '',
  play: PlayRules.parse({}),
  work: WorkRules.parse({ who: 'names' }),
  missed: false,
  others: [],
}

/** Returns what is sent of a choice, with its times as moments of a time zone (IANA). */
export function wantedOf(
  { opensAt, dueAt, closesAt, others: _, ...choice }: WorkChoice,
  timeZone: string,
): Omit<SetWork, 'kind' | 'options' | 'seed' | 'requestIds' | 'others'> {
  const moment = (local: string): string | null =>
    local === '' ? null : new Date(momentFrom(local, timeZone)).toISOString()
  return { ...choice, opensAt: moment(opensAt), dueAt: moment(dueAt), closesAt: moment(closesAt) }
}

/** A plain sentence about what will happen, by its code, with its values. */
export interface WorkSentence {
  code:
    | 'some'
    | 'who.anyone'
    | 'who.names'
    | 'who.signed-in'
    | 'attempts.any'
    | 'attempts.some'
    | 'attempts.device'
    | 'counted.best'
    | 'counted.first'
    | 'counted.last'
    | 'counted.mean'
    | 'unfinished'
    | 'minutes'
    | 'exceptions'
    | 'pass'
    | 'late'
    | 'shown.score'
    | 'shown.after-due'
  count?: number
}

/** Returns what the rules of set work come to, in sentences, the most important first. */
export function sentencesOf({ work, dueAt, closesAt }: WorkChoice): WorkSentence[] {
  const { who, students, attempts, counted, pass, shown, minutes, attemptsOf, factorOf } = work
  const exceptions = new Set([...Object.keys(attemptsOf), ...Object.keys(factorOf)]).size
  return [
    ...(students.length > 0 ? [{ code: 'some', count: students.length } as const] : []),
    { code: `who.${who}` },
    ...(attempts === null
      ? [{ code: 'attempts.any' } as const]
      : [
          { code: 'attempts.some', count: attempts } as const,
          // A guest is told apart by the device alone: another one is another guest.
          ...(who === 'signed-in' ? [] : [{ code: 'attempts.device' } as const]),
        ]),
    ...(attempts === 1 ? [] : [{ code: `counted.${counted}` } as const]),
    { code: 'unfinished' },
    ...(minutes === null ? [] : [{ code: 'minutes', count: minutes } as const]),
    ...(exceptions === 0 ? [] : [{ code: 'exceptions', count: exceptions } as const]),
    ...(pass > 0 ? [{ code: 'pass', count: pass } as const] : []),
    ...(dueAt !== '' && closesAt === '' ? [{ code: 'late' } as const] : []),
    ...(shown === 'all' ? [] : [{ code: `shown.${shown}` } as const]),
  ]
}
