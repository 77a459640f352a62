import type { Scope } from '../db/scope.ts'
import { codeOf, Problem } from '../problem.ts'

/** SQLSTATE of a value that another row has already. */
const TAKEN = '23505'

/** A student as the address names one: who was put together with another is that one. */
interface KnownStudent {
  id: string
  hash: string
}

/** Returns the student who comes in by an address; undefined where there is none. */
export async function studentByEmail(scope: Scope, email: string): Promise<KnownStudent | undefined> {
  const [student] = await scope.query<KnownStudent>(
    `SELECT coalesce(merged_into, id) AS id, password_hash AS hash FROM students WHERE email = $email`,
    { email },
  )
  return student
}

/** Gives a student an address and a password to come in by. Throws a Problem where the address is another's. */
export async function keepAccount(
  scope: Scope,
  studentId: string,
  { email, hash }: { email: string; hash: string },
): Promise<void> {
  try {
    await scope.query('UPDATE students SET email = $email, password_hash = $hash WHERE id = $studentId', {
      studentId,
      email,
      hash,
    })
  } catch (error) {
    if (codeOf(error) === TAKEN) throw new Problem(409, 'email-taken', { path: 'email' })
    throw error
  }
}

/** Takes a student's address and password away: the secret is left to come in by. */
export async function dropAccount(scope: Scope, studentId: string): Promise<void> {
  await scope.query('UPDATE students SET email = NULL, password_hash = NULL WHERE id = $studentId', { studentId })
}
