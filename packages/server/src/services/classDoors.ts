import { randomUUID } from 'node:crypto'
import { MOST_IN_CLASS, type AskIn, type ClassDoor, type Secret } from '@otter/api'
import { isUnkindName } from '@otter/core/names'
import type { z } from 'zod'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { hashPassword, passwordMatches } from './passwords.ts'

/** Cost of scrypt for secrets of students, as its N: they are few to begin with, and tries are limited. */
const SECRET_COST = 2 ** 12
/** Most who wait to be let into one class. */
const MOST_ASKING = 60

type GivenSecret = z.output<typeof Secret>

/** Returns a class as its door shows it to who has its code. Throws a Problem where there is no such class. */
export async function readDoor(scope: Scope, code: string): Promise<ClassDoor & { id: string }> {
  const [found] = await scope.query<Omit<ClassDoor, 'students'> & { id: string }>(
    'SELECT id, name, language, secret, inviting FROM classes WHERE code = $code AND archived_at IS NULL',
    { code },
  )
  if (!found) throw new Problem(404, 'no-such-class')
  const students = await scope.query<ClassDoor['students'][number]>(
    `SELECT s.id, s.name, s.secret_hash IS NOT NULL AS "hasSecret" FROM enrollments e
      JOIN students s ON s.id = e.student_id WHERE e.class_id = $id AND e.state = 'in' ORDER BY lower(s.name), s.id`,
    { id: found.id },
  )
  return { ...found, students }
}

/** A student's secret as it is kept: its kind, and a hash where one was chosen. */
export interface KeptSecret {
  hash: string | null
  kind: ClassDoor['secret']
}

/** Returns what is kept of a student's secret. Throws a Problem where the student is not of the class. */
export async function readSecret(scope: Scope, code: string, studentId: string): Promise<KeptSecret> {
  const [found] = await scope.query<KeptSecret>(
    `SELECT s.secret_hash AS hash, coalesce(s.secret_kind, c.secret) AS kind FROM classes c
      JOIN enrollments e ON e.class_id = c.id AND e.state = 'in' JOIN students s ON s.id = e.student_id
      WHERE c.code = $code AND c.archived_at IS NULL AND s.id = $studentId`,
    { code, studentId },
  )
  if (!found) throw new Problem(404, 'no-such-class')
  return found
}

/** Tells whether a secret is the one kept. Takes as long where none is. */
export function secretMatches(secret: GivenSecret, { hash }: KeptSecret): Promise<boolean> {
  return passwordMatches(wordOf(secret), hash ?? undefined, SECRET_COST)
}

/** Returns what is kept of a secret that a student chooses. Throws a Problem where it is easy to guess. */
export async function hashSecret(
  secret: GivenSecret,
  name: string,
): Promise<{ hash: string; kind: ClassDoor['secret'] }> {
  if ('pictures' in secret && new Set(secret.pictures).size === 1)
    throw new Problem(400, 'easy-secret', { path: 'secret' })
  if ('word' in secret && name.toLowerCase().includes(secret.word))
    throw new Problem(400, 'easy-secret', { path: 'secret' })
  return { hash: await hashPassword(wordOf(secret), SECRET_COST), kind: 'word' in secret ? 'word' : 'pictures' }
}

function wordOf(secret: GivenSecret): string {
  return 'word' in secret ? secret.word : secret.pictures.join(' ')
}

/**
 * Keeps the secret that a student has chosen at the first sign-in. Throws a Problem where another device was first: then
 * that one's is asked for.
 */
export async function keepSecret(
  scope: Scope,
  studentId: string,
  { hash, kind }: { hash: string; kind: ClassDoor['secret'] },
): Promise<void> {
  const [kept] = await scope.query(
    `UPDATE students SET secret_hash = $hash, secret_kind = $kind WHERE id = $studentId AND secret_hash IS NULL
      RETURNING id`,
    { studentId, hash, kind },
  )
  if (!kept) throw new Problem(403, 'wrong-secret', { path: 'secret' })
}

/**
 * Adds a student who asks to come into a class, and waits until a teacher says yes; returns the student's id. Throws a
 * Problem where the class invites nobody or has no room.
 */
export async function askIn(
  scope: Scope,
  code: string,
  { name }: Pick<z.output<typeof AskIn>, 'name'>,
  secret: { hash: string; kind: ClassDoor['secret'] },
): Promise<string> {
  const [found] = await scope.query<{ id: string; language: string; inviting: boolean }>(
    'SELECT id, language, inviting FROM classes WHERE code = $code AND archived_at IS NULL FOR UPDATE',
    { code },
  )
  if (!found) throw new Problem(404, 'no-such-class')
  if (!found.inviting) throw new Problem(403, 'not-inviting')
  if (isUnkindName(name, found.language)) throw new Problem(400, 'unkind-name', { path: 'name' })
  const [{ all, asking } = { all: 0, asking: 0 }] = await scope.query<{ all: number; asking: number }>(
    `SELECT count(*)::int AS all, (count(*) FILTER (WHERE state = 'asked'))::int AS asking FROM enrollments
      WHERE class_id = $id`,
    { id: found.id },
  )
  if (all >= MOST_IN_CLASS || asking >= MOST_ASKING)
    throw new Problem(403, 'class-full', { values: { most: MOST_IN_CLASS } })
  const studentId = randomUUID()
  await scope.query(
    'INSERT INTO students (id, name, secret_hash, secret_kind) VALUES ($studentId, $name, $hash, $kind)',
    {
      studentId,
      name,
      ...secret,
    },
  )
  await scope.query(`INSERT INTO enrollments (class_id, student_id, state) VALUES ($classId, $studentId, 'asked')`, {
    classId: found.id,
    studentId,
  })
  return studentId
}
