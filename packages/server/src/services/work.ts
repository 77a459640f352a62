import type { ClassOverview, ClassWork, OfferReply, SetWork, StudentHome } from '@otter/api'
import { OfferRules } from '@otter/api'
import {
  admissionOf,
  attemptsFor,
  standingOf,
  WorkRules,
  type Attempt,
  type GameKind,
  type WorkTimes,
} from '@otter/core'
import { z } from 'zod'
import { inScope, type Scope, type TeacherScope } from '../db/scope.ts'
import { NOW } from './doors.ts'
import { holdClass, readClass } from './classes.ts'
import { missedBy } from './missedBy.ts'
import { toLookAtAgain } from './practice.ts'
import { draftGame, keepVersion, type GameDraft } from './games.ts'
import { createOffer, makePuzzle, type Making } from './offers.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/** Most pieces of work of one class, or of one student, that a screen shows: the newest. */
const MOST_SHOWN = 100

/**
 * Sets a list as a game for classes: each gets an offer of its own, with its own code, so that results never mix. Sent
 * again, it is set once. Throws a Problem where the list can't become the game, or a class is not the teacher's.
 */
export async function setWork(
  making: Making,
  teacherId: string,
  listId: string,
  {
    classIds,
    requestIds,
    play,
    work,
    note,
    opensAt,
    dueAt,
    closesAt,
    missed,
    others,
    ...wanted
  }: z.output<typeof SetWork>,
  signal?: AbortSignal,
): Promise<OfferReply[]> {
  const parts = await inScope(making, { teacherId }, async (scope) => {
    for (const classId of classIds) await holdClass(scope, classId)
    const taken: object[] = []
    for (const classId of classIds)
      taken.push(missed ? { take: 'chosen', entries: await missedBy(scope, listId, classId) } : {})
    return taken
  })
  const made: OfferReply[] = []
  for (const [index, classId] of classIds.entries()) {
    const optionsFor = (options: unknown): object => ({ ...optionsOf(options), ...parts[index] })
    const more = await gamesOf(
      making,
      teacherId,
      listId,
      others.map((one) => ({ ...one, options: optionsFor(one.options) })),
      signal,
    )
    const kinds = others.length === 0 ? [] : [wanted.kind, ...others.map(({ kind }) => kind)]
    made.push(
      await createOffer(
        making,
        teacherId,
        listId,
        { ...wanted, options: optionsFor(wanted.options), requestId: requestIds[index]! },
        {
          rules: OfferRules.parse({ type: 'link', play, work: { ...work, kinds } }),
          opened: async (scope, offerId) => {
            await setFor(scope, offerId, { classId, note, opensAt, dueAt, closesAt })
            await addGames(scope, offerId, more)
          },
        },
        signal,
      ),
    )
  }
  return made
}

interface FurtherGame {
  draft: GameDraft
  puzzle: unknown
}

/** Makes the further games of a piece of work, of which each student picks one. */
async function gamesOf(
  making: Making,
  teacherId: string,
  listId: string,
  games: readonly { kind: GameKind; options: unknown; seed: string }[],
  signal: AbortSignal | undefined,
): Promise<FurtherGame[]> {
  const made: FurtherGame[] = []
  for (const { kind, options, seed } of games) {
    const draft = await inScope(making, { teacherId, snapshot: true }, (scope) =>
      draftGame(scope, listId, kind, options, seed),
    )
    made.push({ draft, puzzle: await makePuzzle(making.workers, teacherId, draft, signal) })
  }
  return made
}

async function addGames(scope: TeacherScope, offerId: string, games: readonly FurtherGame[]): Promise<void> {
  for (const [index, { draft, puzzle }] of games.entries())
    await scope.query(
      `INSERT INTO offer_games (offer_id, position, game_version_id) VALUES ($offerId, $position, $versionId)
        ON CONFLICT DO NOTHING`,
      { offerId, position: index + 1, versionId: await keepVersion(scope, draft, puzzle) },
    )
}

function optionsOf(given: unknown): object {
  return z.looseObject({}).catch({}).parse(given)
}

async function setFor(
  scope: TeacherScope,
  offerId: string,
  set: { classId: string; note: string; opensAt: string | null; dueAt: string | null; closesAt: string | null },
): Promise<void> {
  await holdClass(scope, set.classId)
  await scope.query(
    `UPDATE offers SET class_id = $classId, note = $note, opens_at = $opensAt, due_at = $dueAt, closes_at = $closesAt
      WHERE id = $offerId AND teacher_id = $teacherId`,
    { offerId, teacherId: scope.teacherId, ...set },
  )
}

/** A piece of work as its row has it. */
interface WorkRow extends Omit<ClassWork, 'work' | 'opensAt' | 'dueAt' | 'closesAt'> {
  rules: unknown
  opensAt: Date | null
  dueAt: Date | null
  closesAt: Date | null
}

const WORK = `o.id AS "offerId", g.list_id AS "listId", o.code, o.name, v.title, g.kind, o.open, o.rules,
  o.opens_at AS "opensAt", o.due_at AS "dueAt", o.closes_at AS "closesAt"`
const OF_WORK = `JOIN offer_games m ON m.offer_id = o.id AND m.position = 0
  JOIN game_versions v ON v.id = m.game_version_id JOIN games g ON g.id = v.game_id`
/** Attempts of students, in the order in which they began, as JSON; `o` and `p` are the offer and the participant. */
const ATTEMPTS = `jsonb_agg(jsonb_build_object('right', y."right", 'total', y.total,
    'endedAt', floor(extract(epoch FROM y.ended_at) * 1000)) ORDER BY y.started_at, y.id)`

function rulesOf(row: Pick<WorkRow, 'rules'>): WorkRules {
  const rules = OfferRules.parse(row.rules)
  return rules.type === 'link' ? rules.work : WorkRules.parse({})
}

function timesOf({ opensAt, dueAt, closesAt }: Pick<WorkRow, 'opensAt' | 'dueAt' | 'closesAt'>): WorkTimes {
  return {
    opensAt: opensAt?.getTime() ?? null,
    dueAt: dueAt?.getTime() ?? null,
    closesAt: closesAt?.getTime() ?? null,
  }
}

const iso = (date: Date | null): string | null => date?.toISOString() ?? null

/** Returns who of a class has done what. Throws a Problem where the teacher has no part in it. */
export async function readOverview(scope: TeacherScope, classId: string): Promise<ClassOverview> {
  const { roll } = await readClass(scope, classId)
  const work = await scope.query<WorkRow & { now: number }>(
    `SELECT ${WORK}, o.teacher_id = $teacherId AS "isMine", ${NOW} AS now FROM offers o ${OF_WORK}
      WHERE o.class_id = $classId AND o.practised_by IS NULL AND o.archived_at IS NULL AND o.rules ->> 'type' = 'link'
      ORDER BY o.created_at DESC, o.id LIMIT ${MOST_SHOWN}`,
    { classId, teacherId: scope.teacherId },
  )
  // In one text: thousands of rows would each be read by themselves.
  const [{ plays } = { plays: [] }] = await scope.query<{
    plays: [offerId: string, studentId: string, right: number, total: number, endedAt: number | null][]
  }>(
    `SELECT coalesce(json_agg(json_build_array(y.offer_id, coalesce(s.merged_into, s.id), y."right", y.total,
        floor(extract(epoch FROM y.ended_at) * 1000)) ORDER BY y.started_at, y.id), '[]') AS plays
      FROM plays y JOIN participants p ON p.id = y.participant_id
        JOIN participants w ON w.id = coalesce(p.merged_into, p.id) JOIN students s ON s.id = w.student_id
      WHERE y.offer_id = ANY ($offerIds::uuid[]) AND y.given_back_at IS NULL`,
    { offerIds: work.map(({ offerId }) => offerId) },
  )
  const attemptsOf = new Map<string, Attempt[]>()
  for (const [offerId, studentId, right, total, endedAt] of plays) {
    const attempt: Attempt = { right, total, endedAt }
    const key = `${offerId} ${studentId}`
    const known = attemptsOf.get(key)
    if (known) known.push(attempt)
    else attemptsOf.set(key, [attempt])
  }
  const pieces = work.map((row) => ({ row, rules: rulesOf(row), times: timesOf(row) }))
  return {
    work: pieces.map(({ row: { rules: _, now: _now, opensAt, dueAt, closesAt, ...rest }, rules }) => ({
      ...rest,
      opensAt: iso(opensAt),
      dueAt: iso(dueAt),
      closesAt: iso(closesAt),
      work: rules,
    })),
    students: roll
      .filter(({ state }) => state === 'in')
      .map(({ id, name, lastSeenAt }) => ({
        id,
        name,
        lastSeenAt,
        standings: pieces.map(({ row, rules, times }) =>
          rules.students.length > 0 && !rules.students.includes(id)
            ? null
            : standingOf(rules, times, attemptsOf.get(`${row.offerId} ${id}`) ?? [], row.now),
        ),
      })),
  }
}

/** Returns what a student has to do and has done, what is due first before what has no time; and notes the visit. */
export async function readHome(scope: Scope, studentId: string): Promise<StudentHome> {
  const [student] = await scope.query<{ name: string; email: string | null }>(
    'UPDATE students SET seen_at = now() WHERE id = $studentId RETURNING name, email',
    { studentId },
  )
  const classes = await scope.query<StudentHome['classes'][number]>(
    `SELECT c.id, c.name, e.state FROM enrollments e JOIN classes c ON c.id = e.class_id
      WHERE e.student_id = $studentId AND c.archived_at IS NULL ORDER BY lower(c.name), c.id`,
    { studentId },
  )
  const work = await scope.query<
    Omit<WorkRow, 'isMine'> & { now: number; note: string; className: string; attempts: Attempt[] | null }
  >(
    `SELECT ${WORK}, o.note, c.name AS "className", ${NOW} AS now,
        (SELECT ${ATTEMPTS} FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
          JOIN plays y ON y.participant_id = p.id AND y.given_back_at IS NULL
          WHERE w.offer_id = o.id AND w.merged_into IS NULL AND w.student_id = ANY (${SAME_STUDENT})) AS attempts
      FROM enrollments e JOIN classes c ON c.id = e.class_id AND c.archived_at IS NULL
        JOIN offers o ON o.class_id = c.id ${OF_WORK}
      WHERE e.student_id = $studentId AND e.state = 'in' AND o.practised_by IS NULL AND o.archived_at IS NULL AND o.rules ->> 'type' = 'link'
      ORDER BY o.created_at DESC, o.id LIMIT ${MOST_SHOWN}`,
    { studentId },
  )
  return {
    name: student!.name,
    email: student!.email,
    classes,
    again: await toLookAtAgain(scope, studentId),
    work: work.flatMap((row) => {
      const rules = rulesOf(row)
      const times = timesOf(row)
      const attempts = row.attempts ?? []
      const standing = standingOf(rules, times, attempts, row.now)
      const admission = row.open
        ? admissionOf(
            rules,
            times,
            { studentId, begun: attempts.length, isUnderWay: attempts.at(-1)?.endedAt === null },
            row.now,
          )
        : 'closed'
      if (admission === 'not-for-you') return []
      const { code, title, name, kind, note, className, opensAt, dueAt, closesAt } = row
      return [
        {
          code,
          title,
          name,
          kind,
          note,
          className,
          opensAt: iso(opensAt),
          dueAt: iso(dueAt),
          closesAt: iso(closesAt),
          standing,
          admission,
        },
      ]
    }),
  }
}

/** Returns how many attempts a student can still begin; null for any number. */
export function attemptsLeft(rules: WorkRules, studentId: string | null, begun: number): number | null {
  const most = attemptsFor(rules, studentId)
  return most === null ? null : Math.max(0, most - begun)
}
