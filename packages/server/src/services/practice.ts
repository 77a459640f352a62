import { OfferRules, type StudentHome } from '@otter/api'
import { Asking, GAME_KINDS, gameOf } from '@otter/core'
import { REACHED } from '../db/queries/reached.ts'
import { inScope, type Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { idFrom } from './idFrom.ts'
import { createOffer, type Making } from './offers.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/** Most lists that a student is shown to look at again, those with most misses first. */
const MOST_LISTS = 10
/** Games to practise with: the first that the words suffice for. */
const KINDS = GAME_KINDS.filter((kind) => gameOf(kind).practice !== undefined).sort(
  (one, other) => gameOf(one).practice! - gameOf(other).practice!,
)

/**
 * Entries that a student, of the classes the student is in, did not know at last, by list. Only games that are over count:
 * while one goes on, its answers are told nowhere. What an offer keeps back from its students is not told here either.
 */
const MISSED = `WITH mine AS (
    SELECT p.id FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
      JOIN offers o ON o.id = p.offer_id
      JOIN enrollments e ON e.class_id = o.class_id AND e.student_id = $studentId AND e.state = 'in'
    WHERE w.merged_into IS NULL AND w.student_id = ANY (${SAME_STUDENT})
      AND (coalesce(o.rules #>> '{work,shown}', 'all') = 'all'
        OR (o.rules #>> '{work,shown}' = 'after-due' AND coalesce(o.due_at, o.closes_at, now()) <= now()))),
  last AS (
    SELECT DISTINCT ON (r.entry_id) r.entry_id, r.outcome FROM mine m JOIN responses r ON r.participant_id = m.id
      JOIN plays y ON y.id = r.play_id AND y.ended_at IS NOT NULL AND y.given_back_at IS NULL
    WHERE r.counts AND r.round = 'first' AND r.withdrawn_at IS NULL AND ${REACHED}
    ORDER BY r.entry_id, r.at DESC, r.id DESC)
  SELECT l.id AS "listId", l.title, jsonb_agg(n.id ORDER BY n.position) AS entries,
    jsonb_agg(n.answer ->> 'text' ORDER BY n.position) AS words
  FROM last JOIN entries n ON n.id = last.entry_id JOIN lists l ON l.id = n.list_id
  WHERE last.outcome <> 'right'`

/** Returns what a student has to look at again, by list, those with most of it first. */
export async function toLookAtAgain(scope: Scope, studentId: string): Promise<StudentHome['again']> {
  const lists = await scope.query<StudentHome['again'][number]>(
    `${MISSED} GROUP BY l.id ORDER BY count(*) DESC, l.id LIMIT ${MOST_LISTS}`,
    { studentId },
  )
  return lists.map(({ listId, title, words }) => ({ listId, title, words: words.filter((word) => word !== '') }))
}

/**
 * Makes a game of what a student has missed of a list, for this one alone, and returns its code; the same for what was
 * made today already. Throws a Problem where nothing is missed.
 */
export async function practise(making: Making, studentId: string, listId: string): Promise<string> {
  const found = await inScope(making, { teacherId: null }, async (scope) => {
    const [missed] = await scope.query<{ entries: string[] }>(`${MISSED} AND l.id = $listId GROUP BY l.id`, {
      studentId,
      listId,
    })
    const [place] = await scope.query<{ teacherId: string; classId: string }>(
      `SELECT l.teacher_id AS "teacherId", e.class_id AS "classId" FROM lists l JOIN games g ON g.list_id = l.id
        JOIN game_versions v ON v.game_id = g.id JOIN offer_games m ON m.game_version_id = v.id
        JOIN offers o ON o.id = m.offer_id JOIN enrollments e ON e.class_id = o.class_id
          AND e.student_id = $studentId AND e.state = 'in'
        JOIN class_teachers t ON t.class_id = e.class_id AND t.teacher_id = l.teacher_id
      WHERE l.id = $listId ORDER BY o.created_at DESC LIMIT 1`,
      { studentId, listId },
    )
    return missed && place && { ...place, entries: missed.entries }
  })
  if (!found) throw new Problem(409, 'nothing-missed')
  const { teacherId, classId, entries } = found
  const today = new Date().toISOString().slice(0, 10)
  for (const kind of KINDS) {
    const requestId = idFrom([studentId, listId, kind, today, entries])
    const offer = await createOffer(
      making,
      teacherId,
      listId,
      { kind, options: { ...Asking.parse({}), take: 'chosen', entries }, seed: today, name: '', requestId },
      {
        rules: OfferRules.parse({ type: 'link', work: { who: 'signed-in', students: [studentId] } }),
        opened: async (scope, offerId) => {
          await scope.query('UPDATE offers SET class_id = $classId, practised_by = $studentId WHERE id = $offerId', {
            classId,
            studentId,
            offerId,
          })
        },
      },
    ).catch((error: unknown) => {
      // Too few words for this game are enough for the next.
      if (error instanceof Problem && error.code === 'no-puzzle' && kind !== KINDS.at(-1)) return undefined
      throw error
    })
    if (offer) return offer.code
  }
  throw new Problem(409, 'nothing-missed')
}
