import { randomUUID } from 'node:crypto'
import type { ChangeRoster, RosterKnowledge, RosterReply, SaveRoster } from '@otter/api'
import { randomFrom } from '@otter/core'
import { draw, leftOf, NOTHING_DRAWN, type Drawn } from '@otter/core/wall/draw'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'

/** Most lists of names of one teacher. */
const MOST_ROSTERS = 200
/** Most entries of which it is told that a student missed them. */
const MOST_MISSED = 100

/** A list of names as it is stored. */
interface StoredRoster extends Omit<RosterReply, 'counts' | 'last' | 'left'> {
  drawn: Drawn
  /** Who came last, by which request, and what was drawn before. */
  last: { id: string; requestId: string; before: Drawn } | null
}

const ROSTER = `id, name, version, students, wishes, drawn, last FROM rosters WHERE teacher_id = $teacherId`

function replyOf({ drawn, last, ...roster }: StoredRoster): RosterReply {
  const pool = poolOf(roster)
  return {
    ...roster,
    counts: { ...drawn.counts },
    last: last?.id ?? null,
    left: leftOf(pool, drawn).length || pool.length,
  }
}

/** Who can be drawn: all who are here, each alike. */
function poolOf({ students }: Pick<StoredRoster, 'students'>): { id: string; weight: number }[] {
  return students.filter(({ absent }) => !absent).map(({ id }) => ({ id, weight: 1 }))
}

/** Returns the lists of names of a teacher, by name. */
export async function readRosters(scope: TeacherScope): Promise<RosterReply[]> {
  const rosters = await scope.query<StoredRoster>(`SELECT ${ROSTER} ORDER BY name, id`, { teacherId: scope.teacherId })
  return rosters.map(replyOf)
}

async function holdRoster(scope: TeacherScope, id: string): Promise<StoredRoster> {
  const [roster] = await scope.query<StoredRoster>(`SELECT ${ROSTER} AND id = $id FOR UPDATE`, {
    teacherId: scope.teacherId,
    id,
  })
  if (!roster) throw notFound()
  return roster
}

/** Keeps a new list of names. Throws a Problem where the teacher has too many. */
export async function createRoster(
  scope: TeacherScope,
  { name, students, wishes }: z.output<typeof SaveRoster>,
): Promise<RosterReply> {
  const id = randomUUID()
  const [made] = await scope.query(
    `INSERT INTO rosters (id, teacher_id, name, students, wishes, drawn)
      SELECT $id, $teacherId, $name, $students::jsonb, $wishes::jsonb, $drawn::jsonb
      WHERE (SELECT count(*) FROM rosters WHERE teacher_id = $teacherId) < ${MOST_ROSTERS} RETURNING id`,
    {
      id,
      teacherId: scope.teacherId,
      name,
      students: JSON.stringify(students),
      wishes: JSON.stringify(wishes),
      drawn: JSON.stringify(NOTHING_DRAWN),
    },
  )
  if (!made) throw new Problem(403, 'too-many-rosters')
  return replyOf(await holdRoster(scope, id))
}

/**
 * Changes a list of names; who was drawn stays drawn. Throws a Problem where it is another's, or where another window has
 * changed it meanwhile.
 */
export async function saveRoster(
  scope: TeacherScope,
  id: string,
  { name, students, wishes, version }: z.output<typeof ChangeRoster>,
): Promise<RosterReply> {
  const roster = await holdRoster(scope, id)
  if (version !== roster.version) throw new Problem(409, 'roster-elsewhere')
  await scope.query(
    'UPDATE rosters SET name = $name, version = version + 1, students = $students::jsonb, wishes = $wishes::jsonb WHERE id = $id',
    {
      id,
      name,
      students: JSON.stringify(students),
      wishes: JSON.stringify(wishes),
    },
  )
  return replyOf({ ...roster, name, students, wishes, version: version + 1 })
}

/** Deletes a list of names. Throws a Problem where it is another's. */
export async function deleteRoster(scope: TeacherScope, id: string): Promise<void> {
  await holdRoster(scope, id)
  await scope.query('DELETE FROM rosters WHERE id = $id', { id })
}

/** Draws a student who is here: nobody twice before all have come once. Throws a Problem where nobody is here. */
export async function drawName(scope: TeacherScope, id: string, requestId: string): Promise<RosterReply> {
  const roster = await holdRoster(scope, id)
  if (roster.last?.requestId === requestId) return replyOf(roster)
  const pool = poolOf(roster)
  if (pool.length === 0) throw new Problem(409, 'nobody-here')
  const came = draw(pool, roster.drawn, { repeats: false, random: randomFrom(randomUUID()) })
  return keepDrawn(scope, roster, came.drawn, { id: came.id, requestId, before: roster.drawn })
}

/** Takes the last draw back: it was nobody's turn. Throws a Problem where the list is another's. */
export async function undrawName(scope: TeacherScope, id: string): Promise<RosterReply> {
  const roster = await holdRoster(scope, id)
  return roster.last ? keepDrawn(scope, roster, roster.last.before, null) : replyOf(roster)
}

async function keepDrawn(
  scope: TeacherScope,
  roster: StoredRoster,
  drawn: Drawn,
  last: StoredRoster['last'],
): Promise<RosterReply> {
  await scope.query('UPDATE rosters SET drawn = $drawn::jsonb, last = $last::jsonb WHERE id = $id', {
    id: roster.id,
    drawn: JSON.stringify(drawn),
    last: last && JSON.stringify(last),
  })
  return replyOf({ ...roster, drawn, last })
}

/**
 * Returns how well the students of a list did in the teacher's games, by their names, and which entries each missed.
 * Throws a Problem where the list is another's.
 */
export async function readRosterKnowledge(scope: TeacherScope, id: string): Promise<RosterKnowledge> {
  const { students } = await holdRoster(scope, id)
  const rows = await scope.query<{ name: string; strength: number | null; missed: string[] }>(
    `WITH named AS (SELECT DISTINCT lower(n) AS name FROM jsonb_array_elements_text($names::jsonb) AS a(n)),
     mine AS (SELECT p.id, lower(p.name) AS name FROM offers o JOIN participants p ON p.offer_id = o.id
       WHERE o.teacher_id = $teacherId AND o.rules ->> 'type' <> 'wall' AND lower(p.name) IN (SELECT name FROM named))
     SELECT n.name,
       (SELECT avg(least(1, y."right"::float8 / y.total)) FROM mine m JOIN plays y ON y.participant_id = m.id
         WHERE m.name = n.name AND y.given_back_at IS NULL AND y.total > 0) AS strength,
       ARRAY(SELECT DISTINCT r.entry_id::text FROM mine m JOIN responses r ON r.participant_id = m.id AND r.is_first
         WHERE m.name = n.name AND r.outcome IN ('wrong', 'passed') LIMIT ${MOST_MISSED}) AS missed
     FROM named n`,
    { teacherId: scope.teacherId, names: JSON.stringify(students.map(({ name }) => name)) },
  )
  const known = new Map(rows.map((row) => [row.name, row]))
  return {
    students: students.map((student) => {
      const row = known.get(student.name.toLowerCase())
      return { id: student.id, strength: row?.strength ?? null, missed: row?.missed ?? [] }
    }),
  }
}
