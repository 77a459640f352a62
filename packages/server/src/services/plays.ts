import type { ChangeSelf, JoinOffer, PlayReply } from '@otter/api'
import { isUnkindName } from '@otter/core/names'
import type { z } from 'zod'
import { Problem } from '../problem.ts'
import type { Scope } from '../db/scope.ts'
import { enter, findDoor, type Caller, type OpenOffer, type Person } from './doors.ts'
import { changeSelf, joinLive } from './liveDoor.ts'
import { addParticipant } from './participants.ts'
import { reply } from './playReplies.ts'
import { forgetStandings } from './standings.ts'
import { startPlay } from './startPlay.ts'
import { findPlay, sessionAt } from './storedPlays.ts'

/** Most attempts of one person in an offer. */
const MAX_ATTEMPTS = 200

/** Returns an offer as one device sees it: with the play that goes on, where its token has one. */
export async function openPlay(scope: Scope, caller: Caller): Promise<PlayReply> {
  const { offer, person } = await findDoor(scope, caller)
  if (!person) return reply(scope, offer, undefined, undefined)
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) return reply(scope, offer, person, undefined)
  const play = await findPlay(scope, offer, person.id)
  // An attempt that was given back is begun anew.
  if (!play && offer.open) return again(scope, offer, person)
  if (play)
    await scope.query('UPDATE plays SET last_seen_at = greatest(last_seen_at, clock_timestamp()) WHERE id = $id', {
      id: play.id,
    })
  return reply(scope, offer, person, play)
}

/** Adds a student to an offer and starts the first attempt; returns the token that its device keeps. */
export async function joinOffer(
  scope: Scope,
  code: string,
  { name, same, requestId, ...wishes }: z.output<typeof JoinOffer>,
  browser?: string,
): Promise<{ token: string; reply: PlayReply }> {
  const { offer } = await findDoor(scope, { code, token: undefined })
  if (!offer.open) throw new Problem(403, 'link-closed')
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const joined = offer.live
    ? await joinLive(scope, offer, made, { name, same, requestId, ...wishes }, browser)
    : await joinLink(scope, offer, made.language, { name, same, requestId }, browser)
  const { token } = joined
  // A live session's newcomer has got an otter, a team and a code meanwhile.
  const person = offer.live
    ? (await findDoor(scope, { offerId: offer.id, participantId: joined.person.participantId })).person!
    : joined.person
  if (person.waits) return { token, reply: await reply(scope, offer, person, undefined) }
  return { token, reply: await again(scope, offer, person, { goesOn: true }) }
}

function joinLink(
  scope: Scope,
  offer: OpenOffer,
  language: string,
  { name, ...rest }: Pick<z.output<typeof JoinOffer>, 'name' | 'same' | 'requestId'>,
  browser: string | undefined,
): Promise<{ person: Person; token: string }> {
  if (name === undefined) throw new Problem(400, 'type-name', { path: 'name' })
  if (isUnkindName(name, language)) throw new Problem(400, 'unkind-name', { path: 'name' })
  return addParticipant(scope, offer.id, { name, ...rest }, browser)
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
  await scope.query('UPDATE participants SET here_at = clock_timestamp(), gone_at = NULL WHERE id = $id', {
    id: person.participantId,
  })
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(scope: Scope, caller: Caller): Promise<PlayReply> {
  const { offer, person } = await enter(scope, caller)
  return again(scope, offer, person)
}

/** Returns the play under way; begins the next attempt where there is none, or, where it only goes on, the first. */
async function again(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  { goesOn = false }: { goesOn?: boolean } = {},
): Promise<PlayReply> {
  // Two requests at once would both find the last attempt finished: one waits for the other here.
  await scope.query('SELECT 1 FROM participants WHERE id = $id FOR UPDATE', { id: person.id })
  const play = await findPlay(scope, offer, person.id)
  if (play && (goesOn || !play.ended)) return reply(scope, offer, person, play)
  if (play && play.attempt >= MAX_ATTEMPTS) throw new Problem(403, 'link-full')
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (play && sessionAt(offer, made, offer.now)?.phase === 'over') throw new Problem(403, 'link-closed')
  return reply(
    scope,
    offer,
    person,
    await startPlay(scope, offer, person, play, await versionOf(scope, offer, play?.attempt)),
  )
}

/** Returns the version of the game that an attempt is played on: a live session's further rounds have their own. */
async function versionOf(
  scope: Scope,
  offer: OpenOffer,
  position = 0,
): Promise<{ versionId: string; correction: number }> {
  if (!offer.live || position === 0) return offer
  const [version] = await scope.query<{ versionId: string; correction: number }>(
    `SELECT v.id AS "versionId", v.correction FROM offer_games m JOIN game_versions v ON v.id = m.game_version_id
      WHERE m.offer_id = $offerId AND m.position = $position`,
    { offerId: offer.id, position },
  )
  return version ?? offer
}
