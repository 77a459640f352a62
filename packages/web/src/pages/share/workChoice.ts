import type { SetWork, WorkSetting } from '@otter/api'
import { localAt, momentFrom, PlayRules, WorkRules, type GameKind } from '@otter/core'

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
  return { ...choice, ...momentsOf({ opensAt, dueAt, closesAt }, timeZone) }
}

type Times = 'opensAt' | 'dueAt' | 'closesAt'

function momentsOf({ opensAt, dueAt, closesAt }: Pick<WorkChoice, Times>, timeZone: string): Pick<WorkSetting, Times> {
  const moment = (local: string): string | null =>
    local === '' ? null : new Date(momentFrom(local, timeZone)).toISOString()
  return { opensAt: moment(opensAt), dueAt: moment(dueAt), closesAt: moment(closesAt) }
}

/** Returns what holds for set work as a teacher changes it, its times as clocks of a time zone (IANA) show them. */
export function choiceFrom({ note, play, work, ...moments }: WorkSetting, timeZone: string): WorkChoice {
  const local = (moment: string | null): string => (moment === null ? '' : localAt(Date.parse(moment), timeZone))
  return {
    ...WORK_CHOICE,
    note,
    play,
    work,
    opensAt: local(moments.opensAt),
    dueAt: local(moments.dueAt),
    closesAt: local(moments.closesAt),
  }
}

/** Returns what is to hold for set work from now on. */
export function settingOf(choice: WorkChoice, timeZone: string): WorkSetting {
  const { note, play, work } = choice
  return { note, play, work, ...momentsOf(choice, timeZone) }
}

/** A plain sentence about what will happen, by its code, with its values. */
export interface WorkSentence {
  code:
    | 'some'
    | 'who.anyone'
    | 'who.names'
    | 'who.signed-in'
    | 'who.me'
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
