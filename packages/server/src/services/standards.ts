import type { SaveStandards, StandardsReply } from '@otter/api'
import type { z } from 'zod'
import type { Reader, TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'

/** Most standards whose meaning is kept for one teacher. */
const MOST = 10_000

/** Returns what codes of standards mean, where the teacher has said so. */
export async function labelsOf(scope: Reader<string>, codes: readonly string[]): Promise<Map<string, string>> {
  if (codes.length === 0) return new Map()
  const rows = await scope.query<{ code: string; label: string }>(
    'SELECT code, label FROM standards WHERE teacher_id = $teacherId AND code = ANY ($codes)',
    { teacherId: scope.teacherId, codes },
  )
  return new Map(rows.map(({ code, label }) => [code, label]))
}

/** Returns all standards whose meaning the teacher has said, in the order of their codes. */
export async function readStandards(scope: Reader<string>): Promise<StandardsReply['standards']> {
  return scope.query(
    `SELECT code, label FROM standards WHERE teacher_id = $teacherId ORDER BY code COLLATE "C" LIMIT ${MOST}`,
    { teacherId: scope.teacherId },
  )
}

/** Says what standards mean. Throws a Problem where there are too many. */
export async function saveStandards(scope: TeacherScope, { standards }: z.output<typeof SaveStandards>): Promise<void> {
  const { teacherId } = scope
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId })
  const named = new Map(standards.map(({ code, label }) => [code, label]))
  const forgotten = [...named].filter(([, label]) => label === '').map(([code]) => code)
  await scope.query('DELETE FROM standards WHERE teacher_id = $teacherId AND code = ANY ($forgotten)', {
    teacherId,
    forgotten,
  })
  const kept = [...named].filter(([, label]) => label !== '').map(([code, label]) => ({ code, label }))
  await scope.query(
    `INSERT INTO standards (teacher_id, code, label) SELECT $teacherId::uuid, s.code, s.label
      FROM jsonb_to_recordset($kept::jsonb) AS s(code text, label text)
      ON CONFLICT (teacher_id, code) DO UPDATE SET label = excluded.label`,
    { teacherId, kept: JSON.stringify(kept) },
  )
  const [{ count } = { count: 0 }] = await scope.query<{ count: number }>(
    'SELECT count(*)::int AS count FROM standards WHERE teacher_id = $teacherId',
    { teacherId },
  )
  if (count > MOST) throw new Problem(403, 'too-many-standards')
}
