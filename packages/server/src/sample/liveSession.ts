import { randomUUID } from 'node:crypto'
import { OfferRules } from '@otter/api'
import { command, LiveRules, openSession, type Session } from '@otter/core'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { TeacherScope } from '../db/scope.ts'
import { draftGame, keepVersion } from '../services/games.ts'
import { sendMove } from '../services/moves.ts'
import { makePuzzle, openOffer, readOffer } from '../services/offers.ts'
import { joinOffer } from '../services/plays.ts'
import { SESSION_VERSION } from '../services/storedSession.ts'
import type { Workers } from '../workers/pool.ts'
import { LIVE_STUDENTS } from './scenario.ts'

/** How long ago the class played, in milliseconds: yesterday's last lesson, more or less. */
const AGE = 20 * 3600_000
const RULES = LiveRules.parse({ way: 'ownpace', ranking: 'first-five' })

/** Adds a live session of a list that a class has played: a quiz at their own pace, every answer by its own move. */
export async function addLiveSession(scope: TeacherScope, listId: string, workers: Workers): Promise<void> {
  const draft = await draftGame(scope, listId, 'quiz', { second: false }, 'harbour')
  const puzzle = (await makePuzzle(workers, scope.teacherId, draft)) as QuizPuzzle
  const began = Date.now() - AGE
  const offerId = await openOffer(scope, await keepVersion(scope, draft, puzzle), {
    name: 'Beekeepers 5',
    rules: OfferRules.parse({ type: 'live', live: RULES }),
  })
  const setting = { rules: RULES, game: { steps: [], hasBoard: false } }
  const running = command(openSession(RULES), { type: 'start' }, setting, began)
  await scope.query(
    `INSERT INTO live_sessions (offer_id, state, version, phase, touched_at) VALUES ($offerId, $state::jsonb,
      ${SESSION_VERSION}, 'running', $began)`,
    { offerId, state: JSON.stringify(running), began: new Date(began) },
  )
  const { code } = await readOffer(scope, offerId)
  let last = began
  for (const [number, student] of LIVE_STUDENTS.entries())
    last = Math.max(last, await playThrough(scope, code, puzzle, student, began + number * 4000))
  await closeSession(scope, offerId, command(running, { type: 'end' }, setting, last + 30_000))
  await scope.query('UPDATE offers SET created_at = $began WHERE id = $offerId', { offerId, began: new Date(began) })
}

async function closeSession(scope: TeacherScope, offerId: string, session: Session): Promise<void> {
  await scope.query(
    `UPDATE live_sessions SET state = $state::jsonb, revision = 2, phase = $phase WHERE offer_id = $offerId`,
    { offerId, state: JSON.stringify(session), phase: session.phase },
  )
}

/** Plays a whole quiz as one student; returns when the last answer came, in milliseconds since 1970. */
async function playThrough(
  scope: TeacherScope,
  code: string,
  { questions }: QuizPuzzle,
  { name, missed, pace, look }: (typeof LIVE_STUDENTS)[number],
  joined: number,
): Promise<number> {
  const { token } = await joinOffer({ ...scope, moment: joined }, code, { name, look, keep: 'page' })
  let moment = joined
  for (const [place, { choices }] of questions.entries()) {
    const isRight = !missed.includes(place)
    // Wrong ones agree now and then, as in a class.
    const wrong = choices.findIndex(({ right }) => !right)
    const choice = isRight ? choices.findIndex(({ right }) => right) : wrong
    moment += pace * 1000 + ((place * 7 + joined) % 5) * 700
    for (const move of [{ type: 'choose', choices: [choice] }, { type: 'next' }]) {
      const sent = { id: randomUUID(), attempt: 1, madeAt: moment, move }
      await sendMove({ ...scope, moment }, { code, token }, sent)
      moment += 1500
    }
  }
  return moment
}
