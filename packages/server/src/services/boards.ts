import type { Board, BoardReply } from '@otter/api'
import { gameOf } from '@otter/core'
import { isUnkindName } from '@otter/core/names'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { findDoor, type Caller, type OpenOffer } from './doors.ts'

/** Lines of a board that are shown. */
const MOST_SHOWN = 20

/** What counts of a student's attempts, in SQL. */
const SCORES: Readonly<Record<Board['by'], string>> = {
  first: '(array_agg(y.points ORDER BY y.started_at, y.id))[1]',
  best: 'max(y.points)',
  sum: 'sum(y.points)',
}

/** Returns the board of a link. Throws a Problem where it has none: also where students judge themselves. */
async function boardOf(scope: Scope, offer: OpenOffer): Promise<Board> {
  const { kind } = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (offer.rules.type !== 'link' || offer.rules.board === null || gameOf(kind).isSelfJudged)
    throw new Problem(404, 'no-board')
  return offer.rules.board
}

/** Returns a link's board as a device sees it: names that were entered alone, and its own score. */
export async function readBoard(scope: Scope, caller: Caller): Promise<BoardReply> {
  const { offer, person } = await findDoor(scope, caller)
  // Names are for those who play.
  if (!person || person.removed || person.waits) throw new Problem(401, 'who-are-you')
  const { by, span, since } = await boardOf(scope, offer)
  const rows = await scope.query<{ id: string; name: string | null; score: number }>(
    `SELECT w.id, w.board_name AS name, (${SCORES[by]})::float8 AS score
     FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
       JOIN plays y ON y.participant_id = p.id AND y.given_back_at IS NULL AND y.ended_at IS NOT NULL
     WHERE w.offer_id = $offerId AND w.merged_into IS NULL AND w.removed_at IS NULL AND w.returns_to IS NULL
       AND (w.board_name IS NOT NULL OR w.id = $personId::uuid)
       AND y.started_at >= greatest($since::timestamptz, CASE WHEN $isWeek THEN date_trunc('week', now()) END,
         '-infinity'::timestamptz)
     GROUP BY w.id ORDER BY score DESC, lower(w.board_name), w.id`,
    { offerId: offer.id, personId: person.id, since, isWeek: span === 'week' },
  )
  const shown = rows.filter(({ name }) => name !== null)
  return {
    span,
    rows: shown.slice(0, MOST_SHOWN).map(({ id, name, score }) => ({
      // Who has the same score stands at the same place.
      place: 1 + shown.filter((other) => other.score > score).length,
      name: name!,
      score,
      isMe: id === person.id,
    })),
    score: rows.find(({ id }) => id === person.id)?.score ?? null,
    name: await nameOf(scope, person.id),
  }
}

async function nameOf(scope: Scope, personId: string): Promise<string | null> {
  const [row] = await scope.query<{ name: string | null }>(
    'SELECT board_name AS name FROM participants WHERE id = $personId',
    {
      personId,
    },
  )
  return row?.name ?? null
}

/** Enters a player's name on the board, or takes it off. Throws a Problem where there is no board, or the name is unkind. */
export async function enterBoard(scope: Scope, caller: Caller, name: string | null): Promise<BoardReply> {
  const { offer, person } = await findDoor(scope, caller)
  if (!person || person.removed || person.waits) throw new Problem(401, 'who-are-you')
  await boardOf(scope, offer)
  const { language } = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (name !== null && isUnkindName(name, language)) throw new Problem(400, 'unkind-name', { path: 'name' })
  await scope.query('UPDATE participants SET board_name = $name WHERE id = $personId', { name, personId: person.id })
  return readBoard(scope, caller)
}
