import type { ChangeSelf, JoinOffer, PlayReply } from '@otter/api'
import { isUnkindName } from '@otter/core/names'
import type { z } from 'zod'
import { Problem } from '../problem.ts'
import type { Scope } from '../db/scope.ts'
import { admissionOf, factorFor } from '@otter/core'
import { closedOffer, enter, findDoor, type Caller, type OpenOffer, type Person, type SignedIn } from './doors.ts'
import { noteHere, noteReload } from './absences.ts'
import { changeSelf, joinLive } from './liveDoor.ts'
import { addParticipant, enterStudent } from './participants.ts'
import { reply } from './playReplies.ts'
import { playDoor, signedInAs, studentHere, workOf } from './workDoors.ts'
import { forgetStandings } from './standings.ts'
import { startPlay } from './startPlay.ts'
import { findPlay, sessionAt } from './storedPlays.ts'

/** Most attempts of one person in an offer. */
const MAX_ATTEMPTS = 200

/** Returns an offer as one device sees it: with the play that goes on, where its token has one. */
export async function openPlay(scope: Scope, caller: Caller): Promise<PlayReply> {
  const { offer, person } = await findDoor(scope, caller)
  if (!person)
    return {
      ...(await reply(scope, offer, undefined, undefined)),
      door: await playDoor(scope, offer, signedInAs(caller)),
    }
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) return reply(scope, offer, person, undefined)
  const play = await findPlay(scope, offer, person.id)
  // An attempt that was given back is begun anew.
  if (!play && offer.open) return again(scope, offer, person)
  if (play) {
    await scope.query('UPDATE plays SET last_seen_at = greatest(last_seen_at, clock_timestamp()) WHERE id = $id', {
      id: play.id,
    })
    // A page of a live session looks again by itself, too.
    if (!offer.live && !play.ended) await noteReload(scope, play.id, person.participantId)
  }
  return reply(scope, offer, person, play)
}

/** Adds a student to an offer and starts the first attempt; returns the token that its device keeps. */
export async function joinOffer(
  scope: Scope,
  code: string,
  { name, same, requestId, studentId, game, ...wishes }: z.output<typeof JoinOffer>,
  browser?: string,
  signedIn?: SignedIn,
): Promise<{ token: string; reply: PlayReply }> {
  const { offer } = await findDoor(scope, { code, token: undefined })
  if (!offer.open) throw closedOffer(offer)
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const joined = offer.live
    ? await joinLive(scope, offer, made, { name, same, requestId, ...wishes }, browser).then(({ person, token }) => ({
        participantId: person.participantId,
        token,
      }))
    : await joinWork(scope, offer, made.language, { name, same, requestId, studentId }, { browser, signedIn })
  const { token } = joined
  // A live session's newcomer has got an otter, a team and a code meanwhile; a student may have played elsewhere.
  const person = (await findDoor(scope, { offerId: offer.id, participantId: joined.participantId })).person!
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) return { token, reply: await reply(scope, offer, person, undefined) }
  return { token, reply: await again(scope, offer, person, { goesOn: true, game }) }
}

/** Brings one who comes into set work: who has signed in as that student, others by a name tapped or typed, as it allows. */
async function joinWork(
  scope: Scope,
  offer: OpenOffer,
  language: string,
  { studentId, ...given }: Pick<z.output<typeof JoinOffer>, 'name' | 'same' | 'requestId' | 'studentId'>,
  { browser, signedIn }: { browser: string | undefined; signedIn: SignedIn | undefined },
): Promise<{ participantId: string; token: string }> {
  const { who } = workOf(offer)
  const student = await studentHere(scope, offer, signedIn?.studentId)
  if (student && signedIn) {
    admitted(offer, { studentId: student.id, begun: 0, isUnderWay: true })
    return enterStudent(scope, offer.id, {
      studentId: student.id,
      name: student.name,
      sessionHash: signedIn.sessionHash,
      factor: factorFor(workOf(offer), student.id),
    })
  }
  if (who === 'signed-in') throw new Problem(403, 'sign-in-first')
  const tapped = await studentHere(scope, offer, studentId)
  if (!tapped) {
    if (who === 'names' || studentId !== undefined) throw new Problem(400, 'not-on-list', { path: 'studentId' })
    admitted(offer, { studentId: null, begun: 0, isUnderWay: true })
    return joinLink(scope, offer, language, given, browser)
  }
  admitted(offer, { studentId: tapped.id, begun: 0, isUnderWay: true })
  // Who was here on another device before comes back by the teacher's word.
  const { person, token } = await addParticipant(
    scope,
    offer.id,
    {
      name: tapped.name,
      same: 'back',
      requestId: given.requestId,
      studentId: tapped.id,
      factor: factorFor(workOf(offer), tapped.id),
    },
    browser,
  )
  return { participantId: person.participantId, token }
}

async function joinLink(
  scope: Scope,
  offer: OpenOffer,
  language: string,
  { name, ...rest }: Pick<z.output<typeof JoinOffer>, 'name' | 'same' | 'requestId'>,
  browser: string | undefined,
): Promise<{ participantId: string; token: string }> {
  if (name === undefined) throw new Problem(400, 'type-name', { path: 'name' })
  if (isUnkindName(name, language)) throw new Problem(400, 'unkind-name', { path: 'name' })
  const { person, token } = await addParticipant(scope, offer.id, { name, ...rest }, browser)
  return { participantId: person.participantId, token }
}

/** Throws a Problem where one may not play set work now. */
function admitted(offer: OpenOffer, comer: Parameters<typeof admissionOf>[2]): void {
  const admission = admissionOf(workOf(offer), offer.times, comer, offer.now)
  if (admission === 'closed') throw new Problem(403, 'link-closed')
  if (admission !== 'go-on' && admission !== 'begin') throw new Problem(403, admission)
}

/** Changes how a student of a live session shows; returns what its device is told then. */
export async function changeMe(scope: Scope, caller: Caller, change: z.output<typeof ChangeSelf>): Promise<PlayReply> {
  const { offer, person } = await enter(scope, caller)
  await changeSelf(scope, offer, person, change)
  if (offer.live) forgetStandings(offer.id, offer.live.revision)
  const changed = await enter(scope, caller)
  return reply(scope, offer, changed.person, await findPlay(scope, offer, person.id))
}

/** Notes that a student has the page open. */
export async function stayHere(scope: Scope, caller: Caller): Promise<void> {
  const { person } = await findDoor(scope, caller)
  if (!person) throw new Problem(401, 'who-are-you')
  await noteHere(scope, [person.participantId])
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(scope: Scope, caller: Caller, game?: number): Promise<PlayReply> {
  const { offer, person } = await enter(scope, caller)
  return again(scope, offer, person, { game })
}

/** Returns the play under way; begins the next attempt where there is none, or, where it only goes on, the first. */
async function again(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  { goesOn = false, game }: { goesOn?: boolean; game?: number | undefined } = {},
): Promise<PlayReply> {
  // Two requests at once would both find the last attempt finished: one waits for the other here.
  await scope.query('SELECT 1 FROM participants WHERE id = $id FOR UPDATE', { id: person.id })
  const play = await findPlay(scope, offer, person.id)
  if (play && (goesOn || !play.ended)) return reply(scope, offer, person, play)
  if (play && play.attempt >= MAX_ATTEMPTS) throw new Problem(403, 'link-full')
  if (!offer.live) admitted(offer, { studentId: person.studentId, begun: play?.attempt ?? 0, isUnderWay: false })
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (play && sessionAt(offer, made, offer.now)?.phase === 'over') throw new Problem(403, 'link-closed')
  return reply(
    scope,
    offer,
    person,
    await startPlay(scope, offer, person, play, await versionOf(scope, offer, play?.attempt, game)),
  )
}

/**
 * Returns the version of the game that an attempt is played on: a live session's further rounds have their own, and so
 * has each of several games that students pick from.
 */
async function versionOf(
  scope: Scope,
  offer: OpenOffer,
  round = 0,
  game = 0,
): Promise<{ versionId: string; correction: number }> {
  const position = offer.live ? round : game
  if (position === 0) return offer
  const [version] = await scope.query<{ versionId: string; correction: number }>(
    `SELECT v.id AS "versionId", v.correction FROM offer_games m JOIN game_versions v ON v.id = m.game_version_id
      WHERE m.offer_id = $offerId AND m.position = $position`,
    { offerId: offer.id, position },
  )
  return version ?? offer
}
