import { UniqueConstraintError } from 'sequelize'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { leaveAllClasses } from './classes.ts'
import { writeMail } from './mails.ts'
import { passwordMatches } from './passwords.ts'
import { ownAccount, type KnownTeacher } from './teachers.ts'

/** Throws a Problem where a password is not the account's. */
export async function confirmPassword(account: KnownTeacher, password: string, passwordCost: number): Promise<void> {
  if (!(await passwordMatches(password, account.passwordHash, passwordCost)))
    throw new Problem(403, 'not-your-password', { path: 'password' })
}

/**
 * Gives the account of the teacher who acts another address, and tells the one of before. Throws a Problem where the
 * address is taken.
 */
export async function changeEmail(scope: TeacherScope, email: string): Promise<void> {
  const account = await ownAccount(scope)
  if (account.email === email) return
  try {
    await scope.tables.teachers.update({ email }, { where: { id: account.id } })
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw new Problem(409, 'email-taken', { path: 'email' })
    throw error
  }
  await dropResets(scope, account.id)
  await writeMail(scope, account, 'emailChanged', { email })
}

/** Gives the account of the teacher who acts another password, and ends all its sessions. */
export async function changePassword(scope: TeacherScope, passwordHash: string, siteAddress: string): Promise<void> {
  const account = await ownAccount(scope)
  await scope.tables.teachers.update({ passwordHash }, { where: { id: account.id } })
  await dropResets(scope, account.id)
  await endSessions(scope, account.id)
  await writeMail(scope, account, 'passwordChanged', { address: `${siteAddress}/forgotten` })
}

/** Deletes the account of the teacher who acts, with all lists, links, results and pictures. */
export async function deleteAccount(scope: TeacherScope): Promise<void> {
  const { id } = await ownAccount(scope)
  await endSessions(scope, id)
  await leaveAllClasses(scope)
  await scope.tables.teachers.destroy({ where: { id } })
}

/** Signs a teacher out on all devices; on all but one where that one's session is named. */
export async function endSessions(scope: Scope, teacherId: string, but = ''): Promise<void> {
  await scope.query(`DELETE FROM sessions WHERE sess ->> 'teacherId' = $teacherId AND sid <> $but`, { teacherId, but })
}

/** What was asked for by mail before must not undo a change. */
async function dropResets(scope: Scope, teacherId: string): Promise<void> {
  await scope.query('DELETE FROM password_resets WHERE teacher_id = $teacherId', { teacherId })
}
