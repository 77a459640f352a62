import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { ChangeTeacher, SignIn, SignUp, type SessionReply, type TeacherReply } from '@otter/api'
import { Router, type Request, type Response } from 'express'
import { Problem } from '../problem.ts'
import { withinLimits, type Limit } from '../services/limits.ts'
import {
  addTeacher,
  changeTeacher,
  checkPassword,
  findTeacher,
  findTeacherByEmail,
  prepareTeacher,
} from '../services/teachers.ts'
import { asAnyone, asTeacher, type Context } from './context.ts'

const KNOWN_FOR = 365 * 24 * 3600_000

/** Signing in and out, and signing up. */
export default function sessionRoutes(context: Context): Router {
  const router = Router()
  const { limits, sampleTeacher, sendsMail, sessionSecret } = context

  /**
   * The limits that hold for a try: who signed in to the account on this device before is not locked out by what others
   * try.
   */
  const limitsFor = (request: Request, email: string): [Limit, string][] => {
    const device = knownDevice(request, email, sessionSecret)
    return device === undefined
      ? [
          [limits.signInsByAddress, request.ip ?? ''],
          [limits.signInsByAccount, email],
        ]
      : [[limits.signInsByDevice, device]]
  }

  router.get('/session', async (request, response) => {
    const { teacherId } = request.session
    const teacher = teacherId === undefined ? null : await asAnyone(context, (scope) => findTeacher(scope, teacherId))
    response.json({ teacher, sample: sampleTeacher !== undefined, sendsMail } satisfies SessionReply)
  })
  router.post('/session', async (request, response) => {
    const { email, password } = SignIn.parse(request.body)
    const teacher = await withinLimits(
      limitsFor(request, email),
      (error) => error instanceof Problem && error.status === 401,
      async () =>
        checkPassword(
          await asAnyone(context, (scope) => findTeacherByEmail(scope, email)),
          password,
          context.passwordCost,
        ),
    )
    knowDevice(request, response, email, sessionSecret)
    response.json(await remember(request, teacher))
  })
  router.post('/session/sample', async (request, response) => {
    const teacher =
      sampleTeacher === undefined
        ? undefined
        : await asAnyone(context, (scope) => findTeacherByEmail(scope, sampleTeacher))
    if (!teacher) throw new Problem(404, 'no-sample')
    const { passwordHash: _, ...known } = teacher
    response.json(await remember(request, known))
  })
  router.post('/teachers', async (request, response) => {
    const account = SignUp.parse(request.body)
    await limits.signUps.take(request.ip ?? '')
    const prepared = await prepareTeacher(account, context.passwordCost)
    const teacher = await asAnyone(context, (scope) => addTeacher(scope, prepared))
    knowDevice(request, response, account.email, sessionSecret)
    response.status(201).json(await remember(request, teacher))
  })
  router.patch('/session', async (request, response) => {
    await asTeacher(context, request, (scope) => changeTeacher(scope, ChangeTeacher.parse(request.body)))
    response.status(204).end()
  })
  router.delete('/session', async (request, response) => {
    await new Promise<void>((resolve, reject) =>
      request.session.destroy((error: unknown) => (error ? reject(error) : resolve())),
    )
    response.status(204).end()
  })
  return router
}

/** Begins a session of a teacher; returns the teacher. */
async function remember(request: Request, teacher: TeacherReply): Promise<TeacherReply> {
  await beginSession(request, teacher.id)
  return teacher
}

/** Begins a session under a new id; done only when it is stored. */
export async function beginSession(request: Request, teacherId: string): Promise<void> {
  const { session } = request
  await new Promise<void>((resolve, reject) =>
    session.regenerate((error: unknown) => (error ? reject(error) : resolve())),
  )
  request.session.teacherId = teacherId
  await new Promise<void>((resolve, reject) =>
    request.session.save((error: unknown) => (error ? reject(error) : resolve())),
  )
}

/** Marks a device on which an account was signed in to (OWASP: device cookies). */
function knowDevice(request: Request, response: Response, email: string, secret: string): void {
  const mark = randomBytes(18).toString('base64url')
  response.cookie('otter_known', `${mark}.${sealOf(mark, email, secret)}`, {
    path: '/api/session',
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    maxAge: KNOWN_FOR,
  })
}

/** Returns the mark of a device on which this account was signed in to before; undefined where it was not. */
function knownDevice(request: Request, email: string, secret: string): string | undefined {
  const [, mark, seal] =
    /(?:^|;\s*)otter_known=([\w-]{24})\.([\w-]{43})(?:;|$)/u.exec(request.headers.cookie ?? '') ?? []
  if (mark === undefined || seal === undefined) return undefined
  return timingSafeEqual(Buffer.from(seal), Buffer.from(sealOf(mark, email, secret))) ? mark : undefined
}

function sealOf(mark: string, email: string, secret: string): string {
  return createHmac('sha256', secret).update(`${mark} ${email}`).digest('base64url')
}
