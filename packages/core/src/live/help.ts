import type { Outcome } from '../games/contract.ts'

/** What is known of a student who plays, as far as it tells who may need help. Moments are milliseconds since 1970. */
export interface Progress {
  participantId: string
  /** Whether the device is connected, and since when it is not. */
  connected: boolean
  goneAt: number | null
  moves: number
  /** Questions or words met in the first round. */
  met: number
  total: number
  /** The last outcomes, the newest last. */
  last: readonly Outcome[]
  /** When the student came in, and when the last word came. */
  joinedAt: number
  lastAt: number
  done: boolean
}

/** Why a student may need help, in a form that an interface words. */
export interface HelpNote {
  participantId: string
  reason: 'wrong-in-row' | 'gone' | 'not-begun' | 'idle' | 'slow'
  /** Answers in a row, or seconds. */
  count: number
}

const WRONG_IN_ROW = 3
/** After so long something is to be seen of a student, in milliseconds. */
const SILENCE = { gone: 10_000, begin: 30_000, idle: 60_000 }
/** Below this share of what half the class has met a student is much slower; nobody is before half have met so many. */
const SLOW = 0.4
const MET_BY_MOST = 4

/**
 * Returns who may need help, the most pressing first, each with one reason: three or more wrong in a row, no connection,
 * nothing begun, no word for a while, or much slower than the class.
 */
export function helpNotes(students: readonly Progress[], startedAt: number, now: number): HelpNote[] {
  const met = students.map((student) => student.met).sort((one, other) => one - other)
  const median = met[Math.floor(met.length / 2)] ?? 0
  const notes = students.flatMap((student) => {
    const note = noteOf(student, median, startedAt, now)
    return note ? [{ participantId: student.participantId, ...note }] : []
  })
  return notes.sort((one, other) => ORDER.indexOf(one.reason) - ORDER.indexOf(other.reason) || other.count - one.count)
}

const ORDER: readonly HelpNote['reason'][] = ['wrong-in-row', 'gone', 'not-begun', 'idle', 'slow']

function noteOf(
  { connected, goneAt, moves, met, last, joinedAt, lastAt, done }: Progress,
  median: number,
  startedAt: number,
  now: number,
): Pick<HelpNote, 'reason' | 'count'> | undefined {
  if (done) return undefined
  const inRow = last.length - 1 - last.findLastIndex((outcome) => outcome === 'right' || outcome === 'opinion')
  if (inRow >= WRONG_IN_ROW) return { reason: 'wrong-in-row', count: inRow }
  const since = (moment: number): number => Math.round((now - Math.max(moment, startedAt)) / 1000)
  if (!connected && goneAt !== null && now - goneAt >= SILENCE.gone) return { reason: 'gone', count: since(goneAt) }
  if (moves === 0)
    return now - Math.max(joinedAt, startedAt) >= SILENCE.begin
      ? { reason: 'not-begun', count: since(joinedAt) }
      : undefined
  if (now - lastAt >= SILENCE.idle) return { reason: 'idle', count: since(lastAt) }
  if (median >= MET_BY_MOST && met < median * SLOW) return { reason: 'slow', count: met }
  return undefined
}
