import { OfferRules, type OfferReply, type SetPractice, type StudentHome } from '@otter/api'
import { Asking, GAME_KINDS, gameOf, type GameKind } from '@otter/core'
import type { z } from 'zod'
import { inScope, type Scope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { readClass } from './classes.ts'
import { idFrom } from './idFrom.ts'
import { createOffer, type Making } from './offers.ts'
import { SAME_STUDENT } from './sameStudent.ts'
import { rememberedBy } from './studentKnowledge.ts'

/** Most lists that a student is shown to look at again, those with most misses first. */
const MOST_LISTS = 10
/** Most entries that are set to practise at once: those least likely recalled. */
const MOST_PRACTISED = 20
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
    WHERE r.counts AND r.round = 'first' AND r.withdrawn_at IS NULL AND r.reached
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
  const offer = await practiceOffer(making, {
    teacherId,
    classId,
    studentId,
    listId,
    entries,
    seed: today,
    requestIdFor: (kind) => idFrom([studentId, listId, kind, today, entries]),
    isOwn: true,
  })
  return offer.code
}

/** What is practised, by whom. */
interface Practice {
  teacherId: string
  classId: string
  studentId: string
  listId: string
  entries: readonly string[]
  seed: string
  requestIdFor: (kind: GameKind) => string
  /** Whether the student chose to, so that it is no work that was set. */
  isOwn: boolean
}

/** Makes a game of some entries of a list for one student: the first that they suffice for. Throws a Problem where none is. */
async function practiceOffer(
  making: Making,
  { teacherId, classId, studentId, listId, entries, seed, requestIdFor, isOwn }: Practice,
): Promise<OfferReply> {
  for (const kind of KINDS) {
    const offer = await createOffer(
      making,
      teacherId,
      listId,
      {
        kind,
        options: { ...Asking.parse({}), take: 'chosen', entries },
        seed,
        name: '',
        requestId: requestIdFor(kind),
      },
      {
        rules: OfferRules.parse({ type: 'link', work: { who: 'signed-in', students: [studentId] } }),
        opened: async (scope, offerId) => {
          await scope.query('UPDATE offers SET class_id = $classId, practised_by = $practisedBy WHERE id = $offerId', {
            classId,
            practisedBy: isOwn ? studentId : null,
            offerId,
          })
        },
      },
    ).catch((error: unknown) => {
      // Too few words for this game are enough for the next.
      if (error instanceof Problem && error.code === 'no-puzzle' && kind !== KINDS.at(-1)) return undefined
      throw error
    })
    if (offer) return offer
  }
  throw new Problem(409, 'nothing-missed')
}

/**
 * Sets a student what is not known well of a list, as work for this one alone. Sent again, it is set once. Throws a Problem
 * where the student is in no such class, or knows all of it.
 */
export async function setPractice(
  making: Making,
  teacherId: string,
  { classId, studentId }: { classId: string; studentId: string },
  { listId, requestId }: z.output<typeof SetPractice>,
): Promise<OfferReply> {
  const entries = await inScope(making, { teacherId, snapshot: true }, async (scope) => {
    const { roll } = await readClass(scope, classId)
    if (!roll.some(({ id }) => id === studentId)) throw notFound()
    const remembered = await rememberedBy(scope, studentId)
    return remembered.filter((one) => one.listId === listId && one.word !== 'well').map(({ entryId }) => entryId)
  })
  if (entries.length === 0) throw new Problem(409, 'nothing-missed')
  return practiceOffer(making, {
    teacherId,
    classId,
    studentId,
    listId,
    entries: entries.slice(0, MOST_PRACTISED),
    seed: requestId.slice(0, 8),
    requestIdFor: (kind) => idFrom([requestId, kind]),
    isOwn: false,
  })
}
