import { randomInt } from 'node:crypto'
import { LOOK_PARTS, type ChangeSelf, type JoinOffer, type Look } from '@otter/api'
import { givenName, randomFrom, teamFor, type LiveRules, type NameLanguage, type OpenTeam } from '@otter/core'
import { isUnkindName } from '@otter/core/names'
import type { z } from 'zod'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import {
  findDoor,
  hashOf,
  PERSON,
  personOf,
  type Caller,
  type OpenOffer,
  type Person,
  type PersonRow,
} from './doors.ts'
import { CODE_LETTERS } from './offers.ts'
import { addDevice, addParticipant } from './participants.ts'
import type { MadeGame } from './puzzleCache.ts'
import { sessionAt } from './storedPlays.ts'
import { liveRulesOf } from './storedSession.ts'

const RETURN_CODE_LENGTH = 4
/** Languages in which rude words are looked for in every class. */
const ALWAYS_LOOKED_FOR = ['en', 'es', 'fr', 'he']

type Joining = z.output<typeof JoinOffer>

/**
 * Lets a student into a live session; returns the person and the token that the device keeps. A rude name is held: the
 * student plays under a made-up one. Throws a Problem where the door is locked, or the device was sent out before.
 */
export async function joinLive(
  scope: Scope,
  offer: OpenOffer,
  made: MadeGame,
  { name, same, requestId, returnCode, ...wishes }: Omit<Joining, 'keep'>,
  browser: string | undefined,
): Promise<{ person: Person; token: string }> {
  const rules = liveRulesOf(offer.rules)!
  const browserHash = browser === undefined ? null : hashOf(browser)
  if (returnCode !== undefined) return comeBack(scope, offer, returnCode, browserHash)
  const session = sessionAt(offer, made, offer.now)!
  if (session.phase === 'over') throw new Problem(403, 'link-closed')
  if (session.locked) throw new Problem(403, 'door-locked')
  if (session.phase !== 'lobby' && !rules.late) throw new Problem(403, 'no-latecomers')
  await refuseRemoved(scope, offer.id, browserHash)
  const wanted = await nameOf(scope, offer, rules, name, [made.language, ...ALWAYS_LOOKED_FOR])
  const { person, token } = await addParticipant(
    scope,
    offer.id,
    { name: wanted.name, same: rules.names === 'given' ? 'other' : same, requestId },
    browser,
  )
  await scope.query(
    `UPDATE participants SET return_code = coalesce(return_code, $returnCode), held_name = coalesce($heldName, held_name),
      look = coalesce(look, $look::jsonb), here_at = clock_timestamp(), gone_at = NULL WHERE id = $id`,
    {
      id: person.id,
      returnCode: await freeReturnCode(scope, offer.id),
      heldName: wanted.heldName,
      look: JSON.stringify(wishes.look ?? lookOf(person.id)),
    },
  )
  if (rules.names === 'list' && !person.waits) await beStudent(scope, offer, person)
  await joinTeam(scope, offer.id, rules, person)
  await changeSelf(scope, offer, person, wishes)
  return { person, token }
}

/** Says that who tapped a name of the class is that student, where the name is of one alone, and nobody else's here. */
async function beStudent(scope: Scope, { id: offerId, classId }: OpenOffer, { id, name }: Person): Promise<void> {
  if (classId === null) return
  await scope.query(
    `UPDATE participants p SET student_id = s.id FROM (SELECT (array_agg(s.id))[1] AS id FROM enrollments e
        JOIN students s ON s.id = e.student_id WHERE e.class_id = $classId AND e.state = 'in' AND s.name = $name
        HAVING count(*) = 1) s
      WHERE p.id = $id AND p.student_id IS NULL AND NOT EXISTS (SELECT 1 FROM participants o
        WHERE o.offer_id = $offerId AND o.student_id = s.id AND o.merged_into IS NULL)`,
    { id, name, classId, offerId },
  )
}

/** Brings a student back on another device. Throws a Problem where nobody has that code. */
async function comeBack(
  scope: Scope,
  offer: OpenOffer,
  returnCode: string,
  browserHash: string | null,
): Promise<{ person: Person; token: string }> {
  const [row] = await scope.query<PersonRow>(
    `SELECT ${PERSON} FROM participants q JOIN participants p ON p.id = coalesce(q.merged_into, q.id)
     WHERE q.offer_id = $offerId AND q.return_code = $returnCode`,
    { offerId: offer.id, returnCode },
  )
  if (!row) throw new Problem(404, 'no-return-code', { path: 'returnCode' })
  const person = personOf(row)
  if (person.removed) throw new Problem(403, 'taken-out')
  return { person, token: await addDevice(scope, person.participantId, browserHash) }
}

/** Who was taken out can't come back under another name from the same browser. */
async function refuseRemoved(scope: Scope, offerId: string, browserHash: string | null): Promise<void> {
  const [removed] = await scope.query(
    `SELECT 1 FROM devices d JOIN participants p ON p.id = d.participant_id WHERE d.browser_hash = $browserHash
      AND p.offer_id = $offerId AND p.removed_at IS NOT NULL LIMIT 1`,
    { browserHash, offerId },
  )
  if (removed) throw new Problem(403, 'taken-out')
}

/** Returns the name that a student plays under, and the typed one where that is held. */
async function nameOf(
  scope: Scope,
  offer: OpenOffer,
  rules: LiveRules,
  name: string | undefined,
  languages: readonly string[],
): Promise<{ name: string; heldName: string | null }> {
  if (rules.names === 'given') return { name: await madeUpName(scope, offer.id, languages[0]!), heldName: null }
  if (name === undefined) throw new Problem(400, 'type-name', { path: 'name' })
  if (rules.names === 'list') {
    const [listed] = await scope.query<{ name: string }>(
      `SELECT n.name FROM live_sessions s, jsonb_array_elements_text(s.roster) AS n(name)
        WHERE s.offer_id = $offerId AND lower(n.name) = lower($name) LIMIT 1`,
      { offerId: offer.id, name },
    )
    if (!listed) throw new Problem(400, 'not-on-list', { path: 'name' })
    return { name: listed.name, heldName: null }
  }
  if (!languages.some((language) => isUnkindName(name, language))) return { name, heldName: null }
  return { name: await madeUpName(scope, offer.id, languages[0]!), heldName: name }
}

async function madeUpName(scope: Scope, offerId: string, language: string): Promise<string> {
  const rows = await scope.query<{ name: string }>(
    'SELECT lower(name) AS name FROM participants WHERE offer_id = $offerId',
    { offerId },
  )
  const known = language.slice(0, 2)
  const of: NameLanguage = known === 'es' || known === 'fr' || known === 'he' ? known : 'en'
  return givenName(of, new Set(rows.map(({ name }) => name)), randomFrom(String(randomInt(2 ** 40))))
}

/** Returns an otter for who has not put one together. */
function lookOf(id: string): Look {
  const random = randomFrom(id)
  return { fur: random.below(LOOK_PARTS.fur), hat: random.below(LOOK_PARTS.hat), thing: random.below(LOOK_PARTS.thing) }
}

async function freeReturnCode(scope: Scope, offerId: string): Promise<string> {
  for (;;) {
    const code = Array.from({ length: RETURN_CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
    const [taken] = await scope.query('SELECT 1 FROM participants WHERE offer_id = $offerId AND return_code = $code', {
      offerId,
      code,
    })
    if (!taken) return code
  }
}

/** Puts who has no team into one, where teams are not chosen; strengths go by names in the teacher's other games. */
async function joinTeam(scope: Scope, offerId: string, rules: LiveRules, { id, name }: Person): Promise<void> {
  const { by } = rules.teams
  if (by !== 'drawn' && by !== 'balanced') return
  const strength = by === 'balanced' ? await strengthOf(scope, offerId, name) : null
  const teams = await scope.query<OpenTeam>(
    `SELECT t.id AS "teamId", ARRAY(SELECT p.strength FROM participants p WHERE p.team_id = t.id
       AND p.removed_at IS NULL AND p.merged_into IS NULL) AS strengths
     FROM teams t WHERE t.offer_id = $offerId ORDER BY t.position`,
    { offerId },
  )
  const made = rules.teams.members.findIndex((members) =>
    members.some((member) => member.toLowerCase() === name.toLowerCase()),
  )
  const teamId =
    teams[made]?.teamId ?? teamFor(teams, { isBalanced: by === 'balanced', strength, random: randomFrom(id) })
  await scope.query(
    `UPDATE participants SET strength = $strength::float8, team_id = coalesce(team_id, $teamId::uuid) WHERE id = $id`,
    { id, strength, teamId },
  )
}

/** Returns the mean share that a student of a name had right in the teacher's other games; null where nothing is known. */
async function strengthOf(scope: Scope, offerId: string, name: string): Promise<number | null> {
  const [row] = await scope.query<{ strength: number | null }>(
    `SELECT avg(least(1, y."right"::float8 / y.total)) AS strength FROM offers here
       JOIN offers o ON o.teacher_id = here.teacher_id AND o.id <> here.id AND o.rules ->> 'type' <> 'wall'
       JOIN participants p ON p.offer_id = o.id AND lower(p.name) = lower($name)
       JOIN plays y ON y.participant_id = p.id AND y.given_back_at IS NULL AND y.total > 0
     WHERE here.id = $offerId`,
    { offerId, name },
  )
  return row?.strength ?? null
}

/** Changes how a student shows: the otter, the note for the teacher, the team where students choose theirs. */
export async function changeSelf(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  { look, note, teamId, teamName }: Pick<Joining, keyof z.output<typeof ChangeSelf>>,
): Promise<void> {
  const rules = liveRulesOf(offer.rules)
  if (!rules) throw new Problem(404, 'no-such-link')
  await scope.query(
    `UPDATE participants SET look = coalesce($look::jsonb, look), note = coalesce($note, note),
      team_id = coalesce((SELECT id FROM teams WHERE id = $teamId::uuid AND offer_id = $offerId), team_id) WHERE id = $id`,
    {
      id: person.id,
      offerId: offer.id,
      look: look ? JSON.stringify(look) : null,
      note: note ?? null,
      teamId: rules.teams.by === 'chosen' ? (teamId ?? null) : null,
    },
  )
  if (teamName === undefined || offer.live?.session.phase !== 'lobby') return
  if (ALWAYS_LOOKED_FOR.some((language) => isUnkindName(teamName, language)))
    throw new Problem(400, 'unkind-name', { path: 'teamName' })
  await scope.query('UPDATE teams SET name = $teamName WHERE id = (SELECT team_id FROM participants WHERE id = $id)', {
    id: person.id,
    teamName,
  })
}

/** Tells whether a code leads to a live session. */
export async function isPlayedLive(scope: Scope, code: string): Promise<boolean> {
  const [live] = await scope.query(
    'SELECT 1 FROM offers o JOIN live_sessions s ON s.offer_id = o.id WHERE o.code = $code',
    { code },
  )
  return live !== undefined
}

/** Returns whose socket a caller may open. Throws a Problem where it is nobody in a live session, or one sent out. */
export async function holderOf(
  scope: Scope,
  caller: Caller,
): Promise<{ offerId: string; participantId: string; personId: string }> {
  const { offer, person } = await findDoor(scope, caller)
  if (!person) throw new Problem(401, 'who-are-you')
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) throw new Problem(403, 'waits')
  if (!offer.live) throw new Problem(404, 'not-live')
  return { offerId: offer.id, participantId: person.participantId, personId: person.id }
}
