import {
  AskIn,
  Practise,
  SignStudentIn,
  SignStudentInByMail,
  StudentAccount,
  type ClassDoor,
  type StudentHome,
} from '@otter/api'
import { Router, type Request, type Response } from 'express'
import { Problem } from '../problem.ts'
import { askIn, hashSecret, keepSecret, readDoor, readSecret, secretMatches } from '../services/classDoors.ts'
import { withinLimits } from '../services/limits.ts'
import type { SignedIn } from '../services/doors.ts'
import { passwordMatches } from '../services/passwords.ts'
import { dropAccount, keepAccount, studentByEmail } from '../services/studentAccounts.ts'
import { hashChosen } from '../services/teachers.ts'
import { practise } from '../services/practice.ts'
import { closeSession, openSession, studentOf } from '../services/studentSessions.ts'
import { readHome } from '../services/work.ts'
import { asAnyone, type Context } from './context.ts'
import { cookieOf, STUDENT_COOKIE, studentToken } from './play.ts'

/** How long a device of one's own is remembered, in milliseconds. */
const REMEMBERED = 180 * 24 * 3600_000
const CODE = /^[A-Z0-9]{7}$/u

/** How students come into their classes, and what they find there. Their sessions are no teacher's, and the other way. */
export default function studentRoutes(context: Context): Router {
  const router = Router()
  const { limits } = context
  /** Works on a class by its code. Codes that don't exist are counted, and past a limit nothing is told. */
  const atClass = async <Value>(request: Request, work: (code: string) => Promise<Value>): Promise<Value> => {
    const code = String(request.params.code).toUpperCase()
    const address = request.ip ?? ''
    if (await limits.codes.isSpent(address)) throw new Problem(429, 'too-many')
    try {
      if (!CODE.test(code)) throw new Problem(404, 'no-such-class')
      return await work(code)
    } catch (error) {
      if (error instanceof Problem && error.code === 'no-such-class') await limits.codes.take(address)
      throw error
    }
  }
  const signIn = (request: Request, response: Response, token: string, isOwn: boolean): void => {
    const { maxAge, ...settings } = cookieOf(request, '/api', REMEMBERED)
    // Without an age the browser forgets it as it is closed.
    response.cookie(STUDENT_COOKIE, token, isOwn ? { ...settings, maxAge } : settings)
  }
  const signedInHere = async (request: Request): Promise<SignedIn> => {
    const signedIn = await asAnyone(context, (scope) => studentOf(scope, studentToken(request)))
    if (!signedIn) throw new Problem(401, 'student-signed-out')
    return signedIn
  }
  router.get('/class/:code', async (request, response) => {
    const { id: _, ...door } = await atClass(request, (code) => asAnyone(context, (scope) => readDoor(scope, code)))
    response.json(door satisfies ClassDoor)
  })
  router.post('/class/:code/sign-in', async (request, response) => {
    const { studentId, secret, own } = SignStudentIn.parse(request.body)
    const token = await atClass(request, (code) =>
      withinLimits(
        [
          [limits.secrets, studentId],
          [limits.secretsOfDay, studentId],
          [limits.secretsOfClass, code],
        ],
        (error) => error instanceof Problem && error.code === 'wrong-secret',
        async () => {
          const kept = await asAnyone(context, (scope) => readSecret(scope, code, studentId))
          const isFirst = kept.hash === null
          // Hashing takes its time: no connection is held meanwhile.
          const chosen = isFirst ? await hashSecret(secret, '') : undefined
          if (!isFirst && !(await secretMatches(secret, kept))) {
            await asAnyone(context, (scope) =>
              scope.query('UPDATE students SET wrong_secrets = wrong_secrets + 1 WHERE id = $studentId', { studentId }),
            )
            throw new Problem(403, 'wrong-secret', { path: 'secret' })
          }
          return asAnyone(context, async (scope) => {
            if (chosen) await keepSecret(scope, studentId, chosen)
            return openSession(scope, studentId, own)
          })
        },
      ),
    )
    signIn(request, response, token, own)
    response.status(204).end()
  })
  router.post('/class/:code/ask', async (request, response) => {
    const { name, secret, own } = AskIn.parse(request.body)
    const token = await atClass(request, (code) =>
      withinLimits(
        [[limits.joins, `${request.ip} ${code}`]],
        (error) => error === undefined,
        async () => {
          const chosen = await hashSecret(secret, name)
          return asAnyone(context, async (scope) => openSession(scope, await askIn(scope, code, { name }, chosen), own))
        },
      ),
    )
    signIn(request, response, token, own)
    response.status(204).end()
  })
  router.get('/student', async (request, response) => {
    const home: StudentHome = await asAnyone(context, async (scope) => {
      const signedIn = await studentOf(scope, studentToken(request))
      if (!signedIn) throw new Problem(401, 'student-signed-out')
      return readHome(scope, signedIn.studentId)
    })
    response.json(home)
  })
  router.post('/student/sign-in', async (request, response) => {
    const { email, password, own } = SignStudentInByMail.parse(request.body)
    const token = await withinLimits(
      [
        [limits.signInsByAddress, request.ip ?? ''],
        [limits.signInsByAccount, `student ${email}`],
      ],
      (error) => error instanceof Problem && error.code === 'wrong-password',
      async () => {
        const student = await asAnyone(context, (scope) => studentByEmail(scope, email))
        const matches = await passwordMatches(password, student?.hash, context.passwordCost)
        if (!student || !matches) throw new Problem(403, 'wrong-password', { path: 'password' })
        return asAnyone(context, (scope) => openSession(scope, student.id, own))
      },
    )
    signIn(request, response, token, own)
    response.status(204).end()
  })
  router.put('/student/account', async (request, response) => {
    const { email, password } = StudentAccount.parse(request.body)
    const { studentId, name } = await signedInHere(request)
    const hash = await hashChosen(password, { name, email }, 'password', context.passwordCost)
    await asAnyone(context, (scope) => keepAccount(scope, studentId, { email, hash }))
    response.status(204).end()
  })
  router.delete('/student/account', async (request, response) => {
    const { studentId } = await signedInHere(request)
    await asAnyone(context, (scope) => dropAccount(scope, studentId))
    response.status(204).end()
  })
  router.post('/student/practice', async (request, response) => {
    const { listId } = Practise.parse(request.body)
    const { studentId } = await signedInHere(request)
    await limits.practice.take(studentId)
    response.status(201).json({ code: await practise(context, studentId, listId) })
  })
  router.delete('/student', async (request, response) => {
    await asAnyone(context, (scope) => closeSession(scope, studentToken(request)))
    response.clearCookie(STUDENT_COOKIE, cookieOf(request, '/api', 0))
    response.status(204).end()
  })
  return router
}
