import { randomUUID } from 'node:crypto'
import type { ChangeTeacher, SignUp, TeacherReply } from '@otter/api'
import { UniqueConstraintError, type Attributes } from 'sequelize'
import type { TeacherRow } from '../db/models.ts'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { hashPassword, isCommonPassword, passwordMatches } from './passwords.ts'

type Stored = Pick<Attributes<TeacherRow>, keyof TeacherReply>

function reply({ id, name, email, language, timeZone, isSample }: Stored): TeacherReply {
  return { id, name, email, language, timeZone, isSample }
}

/** An account about to be made: its password is hashed before a scope is opened, since that takes a while. */
export interface NewTeacher {
  name: string
  email: string
  passwordHash: string
  timeZone: string | null
  /** Whether it is the account of the sample data. */
  isSample: boolean
}

/** Hashes a new account's password. Throws a Problem where the password is one that is tried first. */
export async function prepareTeacher(
  { name, email, password, timeZone }: SignUp,
  passwordCost: number,
): Promise<NewTeacher> {
  const passwordHash = await hashChosen(password, { name, email }, 'password', passwordCost)
  return { name, email, timeZone: timeZone ?? null, isSample: false, passwordHash }
}

/**
 * Hashes a password that somebody has chosen. Throws a Problem, about the field of that name, where it is one that is
 * tried first.
 */
export async function hashChosen(
  password: string,
  { name, email }: Pick<TeacherReply, 'name' | 'email'>,
  path: string,
  passwordCost: number,
): Promise<string> {
  if (isCommonPassword(password, [email, email.split('@')[0]!, name]))
    throw new Problem(400, 'common-password', { path })
  return hashPassword(password, passwordCost)
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

/** Changes a teacher's name and what she has chosen for all screens. Throws a Problem where the name is everybody's. */
export async function changeTeacher(scope: TeacherScope, changes: ChangeTeacher): Promise<void> {
  if (changes.name !== undefined || changes.keepYears !== undefined) await ownAccount(scope)
  const given = Object.entries(changes).filter(([, value]) => value !== undefined)
  if (given.length > 0)
    await scope.tables.teachers.update(Object.fromEntries(given), { where: { id: scope.teacherId } })
}

/**
 * Returns the account of the teacher who acts. Throws a Problem where it is the one of the sample data: it is shared by
 * all who look around.
 */
export async function ownAccount(scope: TeacherScope): Promise<KnownTeacher> {
  const teacher = await scope.tables.teachers.findOne({ where: { id: scope.teacherId } })
  if (!teacher) throw new Problem(401, 'not-signed-in')
  if (teacher.isSample) throw new Problem(403, 'sample-account')
  return { ...reply(teacher), passwordHash: teacher.passwordHash }
}
