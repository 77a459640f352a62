import type { PlayReply } from '@otter/api'
import { showsAnswers, WorkRules } from '@otter/core'
import type { Reader } from '../db/scope.ts'
import type { Caller, OpenOffer, Person, SignedIn } from './doors.ts'
import { attemptsLeft } from './work.ts'
import type { OpenPlay } from './storedPlays.ts'

const NO_RULES = WorkRules.parse({})

/** Returns what holds for an offer as set work; what is played live forbids nothing so. */
export function workOf({ rules }: OpenOffer): WorkRules {
  return rules.type === 'link' ? rules.work : NO_RULES
}

/** Returns who is signed in where a caller stands. */
export function signedInAs(caller: Caller): SignedIn | undefined {
  return 'code' in caller ? caller.signedIn : undefined
}

/** Returns a student of the class that an offer is set for; undefined where it is none. */
export async function studentHere(
  scope: Reader,
  { classId }: OpenOffer,
  studentId: string | undefined,
): Promise<{ id: string; name: string } | undefined> {
  if (classId === null || studentId === undefined) return undefined
  const [student] = await scope.query<{ id: string; name: string }>(
    `SELECT s.id, s.name FROM enrollments e JOIN students s ON s.id = e.student_id
      WHERE e.class_id = $classId AND e.student_id = $studentId AND e.state = 'in'`,
    { classId, studentId },
  )
  return student
}

/** Returns who may come in by an offer's door: names to tap only where they are tapped. */
export async function playDoor(
  scope: Reader,
  offer: OpenOffer,
  signedIn: SignedIn | undefined,
): Promise<PlayReply['door']> {
  const { who, students } = workOf(offer)
  if (offer.classId === null || offer.rules.type !== 'link') return null
  const names =
    who === 'names'
      ? await scope.query<{ id: string; name: string }>(
          `SELECT s.id, s.name FROM enrollments e JOIN students s ON s.id = e.student_id
            WHERE e.class_id = $classId AND e.state = 'in' ORDER BY lower(s.name), s.id`,
          { classId: offer.classId },
        )
      : []
  const me = await studentHere(scope, offer, signedIn?.studentId)
  const [told] = await scope.query<{ classCode: string; note: string }>(
    `SELECT c.code AS "classCode", o.note FROM offers o JOIN classes c ON c.id = o.class_id WHERE o.id = $offerId`,
    { offerId: offer.id },
  )
  return {
    who,
    classCode: told?.classCode ?? null,
    note: told?.note ?? '',
    names: names.filter(({ id }) => students.length === 0 || students.includes(id)),
    me: me?.name ?? null,
  }
}

/** Returns what a student is told of set work; null where an offer is set for no class. */
export function workTold(offer: OpenOffer, person: Person | undefined, play: OpenPlay | undefined): PlayReply['work'] {
  if (offer.classId === null || offer.rules.type !== 'link') return null
  const iso = (moment: number | null): string | null => (moment === null ? null : new Date(moment).toISOString())
  const { opensAt, dueAt, closesAt } = offer.times
  return {
    opensAt: iso(opensAt),
    dueAt: iso(dueAt),
    closesAt: iso(closesAt),
    attemptsLeft: attemptsLeft(workOf(offer), person?.studentId ?? null, play?.attempt ?? 0),
    games: workOf(offer).kinds,
    minutes: workOf(offer).minutes,
    left: play && !play.ended && play.endsAt !== null ? Math.max(0, Math.round(play.endsAt - play.now)) : null,
    isStudent: person !== undefined && person.studentId !== null,
    isEarly: opensAt !== null && offer.now < opensAt,
    hidesAnswers: hidesAnswers(offer, play),
    answersAt: workOf(offer).shown === 'score' ? null : iso(dueAt ?? closesAt),
  }
}

/** Tells whether the right answers of a play that is over are kept back. */
export function hidesAnswers(offer: OpenOffer, play: OpenPlay | undefined): boolean {
  return play?.ended === true && !showsAnswers(workOf(offer), offer.times, offer.now)
}
