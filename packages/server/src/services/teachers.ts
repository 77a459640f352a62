import { randomUUID } from 'node:crypto'
import type { ChangeTeacher, SignUp, TeacherReply } from '@otter/api'
import { UniqueConstraintError } from 'sequelize'
import type { TeacherRow } from '../db/models.ts'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { hashPassword, isCommonPassword, passwordMatches } from './passwords.ts'

function reply({ id, name, email, language }: Pick<TeacherRow, keyof TeacherReply>): TeacherReply {
  return { id, name, email, language }
}

/** An account about to be made: its password is hashed before a scope is opened, since that takes a while. */
export interface NewTeacher {
  name: string
  email: string
  passwordHash: string
}

/** Hashes a new account's password. Throws a Problem where the password is one that is tried first. */
export async function prepareTeacher({ name, email, password }: SignUp, passwordCost: number): Promise<NewTeacher> {
  if (isCommonPassword(password, [email, email.split('@')[0]!, name]))
    throw new Problem(400, 'common-password', { path: 'password' })
  return { name, email, passwordHash: await hashPassword(password, passwordCost) }
}

/** Adds a teacher. Throws a Problem where the address is taken. */
export async function addTeacher(scope: Scope, teacher: NewTeacher): Promise<TeacherReply> {
  try {
    return reply(await scope.tables.teachers.create({ id: randomUUID(), language: null, ...teacher }))
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw new Problem(409, 'email-taken', { path: 'email' })
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
export async function checkPassword(
  teacher: KnownTeacher | undefined,
  password: string,
  passwordCost: number,
): Promise<TeacherReply> {
  const matches = await passwordMatches(password, teacher?.passwordHash, passwordCost)
  if (!teacher || !matches) throw new Problem(401, 'wrong-password', { path: 'password' })
  return reply(teacher)
}

/** Changes what a teacher has chosen for all screens. */
export async function changeTeacher(scope: TeacherScope, { language }: ChangeTeacher): Promise<void> {
  await scope.tables.teachers.update({ language }, { where: { id: scope.teacherId } })
}
