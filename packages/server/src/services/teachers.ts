import { randomUUID } from 'node:crypto'
import type { SignIn, SignUp, TeacherReply } from '@otter/api'
import { UniqueConstraintError } from 'sequelize'
import type { Database } from '../db/database.ts'
import type { TeacherRow } from '../db/models.ts'
import { Problem } from '../problem.ts'
import { hashPassword, passwordMatches } from './passwords.ts'

function reply({ id, name, email }: TeacherRow): TeacherReply {
  return { id, name, email }
}

/** Adds a teacher. Throws a Problem where the address is taken. */
export async function signUp(database: Database, { name, email, password }: SignUp): Promise<TeacherReply> {
  const passwordHash = await hashPassword(password)
  try {
    return reply(await database.teachers.create({ id: randomUUID(), name, email, passwordHash }))
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw new Problem(409, 'There is an account with this address. Sign in instead.', 'email')
    throw error
  }
}

/** Gives the teacher whose address and password these are. Throws a Problem that doesn't tell which was wrong. */
export async function signIn(database: Database, { email, password }: SignIn): Promise<TeacherReply> {
  const teacher = await database.teachers.findOne({ where: { email } })
  const matches = await passwordMatches(password, teacher?.passwordHash)
  if (!teacher || !matches) throw new Problem(401, 'That address and password don’t go together. Check both and try again.', 'password')
  return reply(teacher)
}

export async function findTeacher(database: Database, id: string): Promise<TeacherReply | null> {
  const teacher = await database.teachers.findByPk(id)
  return teacher && reply(teacher)
}

export async function findTeacherByEmail(database: Database, email: string): Promise<TeacherReply | null> {
  const teacher = await database.teachers.findOne({ where: { email } })
  return teacher && reply(teacher)
}
