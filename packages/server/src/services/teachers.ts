import { randomUUID } from 'node:crypto'
import type { SignUp, TeacherReply } from '@otter/api'
import { UniqueConstraintError } from 'sequelize'
import type { TeacherRow } from '../db/models.ts'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { hashPassword, isCommonPassword, passwordMatches } from './passwords.ts'

function reply({ id, name, email }: Pick<TeacherRow, 'id' | 'name' | 'email'>): TeacherReply {
  return { id, name, email }
}

/** An account about to be made: its password is hashed before a scope is opened, since that takes a while. */
export interface NewTeacher {
  name: string
  email: string
  passwordHash: string
}

/** Hashes a new account's password. Throws a Problem where the password is one that is tried first. */
export async function prepareTeacher({ name, email, password }: SignUp): Promise<NewTeacher> {
  if (isCommonPassword(password, [email, email.split('@')[0], name]))
    throw new Problem(
      400,
      'This password is easy to guess: it is a common one, or your own name or address. Use three or four words that only you put together.',
      'password',
    )
  return { name, email, passwordHash: await hashPassword(password) }
}

/** Adds a teacher. Throws a Problem where the address is taken. */
export async function addTeacher(scope: Scope, teacher: NewTeacher): Promise<TeacherReply> {
  try {
    return reply(await scope.tables.teachers.create({ id: randomUUID(), ...teacher }))
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw new Problem(409, 'There is an account with this address. Sign in instead.', 'email')
    throw error
  }
}

/** An account with the hash of its password. */
export type KnownTeacher = TeacherReply & { passwordHash: string }

export async function findTeacherByEmail(scope: Scope, email: string): Promise<KnownTeacher | undefined> {
  const teacher = await scope.tables.teachers.findOne({ where: { email } })
  return teacher ? { ...reply(teacher), passwordHash: teacher.passwordHash } : undefined
}

export async function findTeacher(scope: Scope, id: string): Promise<TeacherReply | null> {
  const teacher = await scope.tables.teachers.findOne({ where: { id } })
  return teacher && reply(teacher)
}

/** Returns the teacher whose password it is. Throws a Problem that doesn't tell whether there is such an account. */
export async function checkPassword(teacher: KnownTeacher | undefined, password: string): Promise<TeacherReply> {
  const matches = await passwordMatches(password, teacher?.passwordHash)
  if (!teacher || !matches)
    throw new Problem(401, 'That address and password don’t go together. Check both and try again.', 'password')
  const { id, name, email } = teacher
  return { id, name, email }
}
