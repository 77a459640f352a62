import { once } from 'node:events'
import { AskReset, ChangeEmail, ChangePassword, DeleteAccount, ResetPassword } from '@otter/api'
import { Router, type Request } from 'express'
import { Problem } from '../problem.ts'
import { changeEmail, changePassword, confirmPassword, deleteAccount, endSessions } from '../services/accounts.ts'
import { readKeeping } from '../services/keeping.ts'
import { writeAccount, type Take } from '../services/archives.ts'
import { withinLimits } from '../services/limits.ts'
import { askReset, findReset, useReset } from '../services/resets.ts'
import { hashChosen, ownAccount, type KnownTeacher } from '../services/teachers.ts'
import { asAnyone, asTeacher, teacherOf, whileWaiting, type Context } from './context.ts'
import { beginSession } from './session.ts'

/** What teachers do with their accounts, and how they come back into one. */
export default function accountRoutes(context: Context): Router {
  const router = Router()
  const { limits, passwordCost, siteAddress, mailer } = context

  /**
   * Returns the account of who is signed in, whose password was typed once more. Guesses are limited, and strangers who
   * guess at the door don't use them up.
   */
  const confirmed = async (request: Request, password: string): Promise<KnownTeacher> => {
    const account = await asTeacher(context, request, ownAccount)
    await withinLimits(
      [[limits.signInsByDevice, account.id]],
      (error) => error instanceof Problem && error.code === 'not-your-password',
      () => confirmPassword(account, password, passwordCost),
    )
    return account
  }

  router.put('/account/email', async (request, response) => {
    const { email, password } = ChangeEmail.parse(request.body)
    await confirmed(request, password)
    await asTeacher(context, request, (scope) => changeEmail(scope, email))
    mailer.wake()
    response.status(204).end()
  })
  router.put('/account/password', async (request, response) => {
    const { password, newPassword } = ChangePassword.parse(request.body)
    const account = await confirmed(request, password)
    const hash = await hashChosen(newPassword, account, 'newPassword', passwordCost)
    await asTeacher(context, request, (scope) => changePassword(scope, hash, siteAddress))
    mailer.wake()
    await beginSession(request, account.id)
    response.status(204).end()
  })
  router.delete('/account/sessions', async (request, response) => {
    await asTeacher(context, request, async (scope) => {
      await ownAccount(scope)
      await endSessions(scope, scope.teacherId, request.sessionID)
    })
    response.status(204).end()
  })
  router.get('/account/keeping', async (request, response) => {
    response.json(await asTeacher(context, request, readKeeping))
  })
  router.get('/account/archive', async (request, response) => {
    const teacherId = teacherOf(request)
    await limits.archives.take(teacherId)
    response.type('zip').attachment('jolly-otter.zip')
    const take: Take = async (piece) => {
      if (!response.write(piece)) await once(response, 'drain', { signal })
    }
    const signal = whileWaiting(response)
    await writeAccount(context, teacherId, take, signal)
    response.end()
  })
  router.delete('/account', async (request, response) => {
    const { password } = DeleteAccount.parse(request.body)
    await confirmed(request, password)
    await asTeacher(context, request, deleteAccount)
    response.status(204).end()
  })
  router.post('/password-resets', async (request, response) => {
    const { email } = AskReset.parse(request.body)
    await limits.mailsByAddress.take(request.ip ?? '')
    await limits.mailsByAccount.take(email)
    await asAnyone(context, (scope) => askReset(scope, email, siteAddress))
    mailer.wake()
    response.status(204).end()
  })
  router.put('/password-resets', async (request, response) => {
    const { token, password } = ResetPassword.parse(request.body)
    const known = await asAnyone(context, (scope) => findReset(scope, token))
    const hash = await hashChosen(password, known, 'password', passwordCost)
    const teacher = await asAnyone(context, (scope) => useReset(scope, token, hash))
    await beginSession(request, teacher.id)
    response.json(teacher)
  })
  return router
}
