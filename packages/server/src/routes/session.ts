import { SignIn, SignUp, type SessionReply, type TeacherReply } from '@otter/api'
import { Router, type Request } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'
import { Problem } from '../problem.ts'
import { findTeacher, findTeacherByEmail, signIn, signUp } from '../services/teachers.ts'
import type { Context } from './context.ts'

const TRIES = 10
const WINDOW = 10 * 60_000

/** Signing in and out, and signing up. */
export default function sessionRoutes({ database, sampleTeacher }: Context): Router {
  const router = Router()
  const limit = rateLimit({
    windowMs: WINDOW, limit: TRIES, standardHeaders: true, legacyHeaders: false, skipSuccessfulRequests: true,
    keyGenerator: (request) => `${ipKeyGenerator(request.ip ?? '')} ${String((request.body as { email?: unknown } | undefined)?.email ?? '').toLowerCase()}`,
    handler: () => {
      throw new Problem(429, 'Too many tries. Wait ten minutes, then try again.')
    },
  })

  router.get('/session', async (request, response) => {
    const { teacherId } = request.session
    const teacher = teacherId === undefined ? null : await findTeacher(database, teacherId)
    response.json({ teacher, sample: sampleTeacher !== undefined } satisfies SessionReply)
  })
  router.post('/session', limit, async (request, response) => {
    response.json(await remember(request, await signIn(database, SignIn.parse(request.body))))
  })
  router.post('/session/sample', async (request, response) => {
    const teacher = sampleTeacher === undefined ? null : await findTeacherByEmail(database, sampleTeacher)
    if (!teacher) throw new Problem(404, 'There is no sample teacher here.')
    response.json(await remember(request, teacher))
  })
  router.post('/teachers', limit, async (request, response) => {
    response.status(201).json(await remember(request, await signUp(database, SignUp.parse(request.body))))
  })
  router.delete('/session', async (request, response) => {
    await new Promise<void>((resolve, reject) => request.session.destroy((error: unknown) => (error ? reject(error) : resolve())))
    response.status(204).end()
  })
  return router
}

/** Begins a session under a new id, and replies only when it is stored. */
async function remember(request: Request, teacher: TeacherReply): Promise<TeacherReply> {
  const { session } = request
  await new Promise<void>((resolve, reject) => session.regenerate((error: unknown) => (error ? reject(error) : resolve())))
  request.session.teacherId = teacher.id
  await new Promise<void>((resolve, reject) => request.session.save((error: unknown) => (error ? reject(error) : resolve())))
  return teacher
}
