import { randomBytes } from 'node:crypto'
import { ChangeSelf, EnterBoard, JoinOffer, PlayAgain, SendMove, TOKEN_HEADER, type PlayReply } from '@otter/api'
import { Router, type CookieOptions, type Request, type Response } from 'express'
import { reading, type Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { enterBoard, readBoard } from '../services/boards.ts'
import { keepOpen, studentOf } from '../services/studentSessions.ts'
import { withinLimits } from '../services/limits.ts'
import { sendMove } from '../services/moves.ts'
import { changeMe, joinOffer, openPlay, stayHere } from '../services/plays.ts'
import { holderOf, isPlayedLive } from '../services/liveDoor.ts'
import { signPass } from '../live/passes.ts'
import { playNext } from '../services/rounds.ts'
import { asAnyone, whileWaiting, type Context } from './context.ts'

/** How long a device is remembered. */
const REMEMBERED = 180 * 24 * 3600_000
/** What a code can be; another text is none, and the database need not be asked. */
const CODE = /^[A-Z0-9]{1,12}$/u
/** By which a student is signed in. */
export const STUDENT_COOKIE = 'otter_student'
const TOKEN = /^[\w-]{10,100}$/u

/** Playing by link: no account, one token for each offer and device, as a cookie or kept by the page. */
export default function playRoutes(context: Context): Router {
  const router = Router()
  const { limits } = context

  /**
   * Works in a student's scope. Codes that don't exist are counted, and past a limit nothing is told to who has no
   * token.
   */
  const asStudent = async <Value>(
    request: Request,
    work: (scope: Scope<null>, code: string) => Promise<Value>,
  ): Promise<Value> => guarded(request, (code) => asAnyone(context, (scope) => work(scope, code)))
  const guarded = async <Value>(request: Request, work: (code: string) => Promise<Value>): Promise<Value> => {
    const code = String(request.params.code).toUpperCase()
    const address = request.ip ?? ''
    if (tokenOf(request) === undefined && (await limits.codes.isSpent(address))) throw new Problem(429, 'too-many')
    try {
      if (!CODE.test(code)) throw new Problem(404, 'no-such-link')
      return await work(code)
    } catch (error) {
      if (error instanceof Problem && (error.code === 'no-such-link' || error.code === 'no-return-code'))
        await limits.codes.take(address)
      throw error
    }
  }
  /** Tells the screens of a live session that something has changed in a student; returns what the student is told. */
  const telling = (reply: PlayReply): PlayReply => {
    if (reply.live?.me) context.live.moved(reply.live.offerId, reply.live.me.participantId)
    return reply
  }
  router.get('/play/:code', async (request, response) => {
    const reply = await asStudent(request, async (scope, code) =>
      openPlay(scope, { code, token: tokenOf(request), signedIn: await studentOf(scope, studentToken(request)) }),
    )
    browserOf(request, response)
    response.json(reply)
  })
  router.post('/play/:code/join', async (request, response) => {
    const given = JoinOffer.parse(request.body)
    const isLive = await asStudent(request, isPlayedLive)
    const { token, reply } = await withinLimits(
      [[isLive ? limits.liveJoins : limits.joins, `${request.ip} ${String(request.params.code).toUpperCase()}`]],
      // Only who came in takes room: a class that tries again while the database is away is no flood.
      (error) => error === undefined,
      () =>
        asStudent(request, async (scope, code) =>
          joinOffer(scope, code, given, browserOf(request, response), await studentOf(scope, studentToken(request))),
        ),
    )
    telling(reply)
    if (given.keep === 'page') response.status(201).json({ ...reply, token })
    else {
      remember(request, response, token, REMEMBERED)
      response.status(201).json(reply)
    }
  })
  router.post('/play/:code/moves', async (request, response) => {
    const sent = SendMove.parse(request.body)
    const { reply, offerId, personId } = await guarded(request, (code) =>
      reading(context, null, async (reader) => {
        await keepOpen(reader, studentToken(request))
        return sendMove(reader, { code, token: tokenOf(request) }, sent)
      }),
    )
    context.live.moved(offerId, personId)
    response.json(reply)
  })
  router.post('/play/:code/again', async (request, response) => {
    const { game } = PlayAgain.parse(request.body)
    const signal = whileWaiting(response)
    response.json(
      telling(await guarded(request, (code) => playNext(context, { code, token: tokenOf(request) }, { game, signal }))),
    )
  })
  router.patch('/play/:code/me', async (request, response) => {
    const change = ChangeSelf.parse(request.body)
    response.json(
      telling(await asStudent(request, (scope, code) => changeMe(scope, { code, token: tokenOf(request) }, change))),
    )
  })
  router.post('/play/:code/pass', async (request, response) => {
    const holder = await asStudent(request, (scope, code) => holderOf(scope, { code, token: tokenOf(request) }))
    response.json({ pass: signPass(context.sessionSecret, { audience: 'player', ...holder }) })
  })
  router.post('/play/:code/here', async (request, response) => {
    // A page that is left open is no use of the device: only moves keep a student signed in.
    await asStudent(request, (scope, code) => stayHere(scope, { code, token: tokenOf(request) }))
    response.status(204).end()
  })
  router.get('/play/:code/board', async (request, response) => {
    response.json(await asStudent(request, (scope, code) => readBoard(scope, { code, token: tokenOf(request) })))
  })
  router.put('/play/:code/board', async (request, response) => {
    const { name } = EnterBoard.parse(request.body)
    response.json(await asStudent(request, (scope, code) => enterBoard(scope, { code, token: tokenOf(request) }, name)))
  })
  router.post('/play/:code/leave', (request, response) => {
    remember(request, response, '', 0)
    response.status(204).end()
  })
  return router
}

function remember(request: Request, response: Response, token: string, maxAge: number): void {
  const code = String(request.params.code).toUpperCase()
  if (CODE.test(code)) response.cookie('otter_player', token, cookieOf(request, `/api/play/${code}`, maxAge))
}

/** Returns how a cookie of the program is kept. */
export function cookieOf(request: Request, path: string, maxAge: number): CookieOptions {
  return { path, httpOnly: true, sameSite: 'strict', secure: request.secure, maxAge }
}

/** Returns a mark that tells browsers apart, and says nothing of who uses one. */
function browserOf(request: Request, response: Response): string {
  const known = cookie(request, 'otter_browser')
  if (known !== undefined && TOKEN.test(known)) return known
  const mark = randomBytes(18).toString('base64url')
  response.cookie('otter_browser', mark, cookieOf(request, '/api/play', REMEMBERED))
  return mark
}

/** Returns the token of a request: in the header of a page that keeps its own, else in the cookie. */
function tokenOf(request: Request): string | undefined {
  const token = request.get(TOKEN_HEADER) ?? cookie(request, 'otter_player')
  return token !== undefined && TOKEN.test(token) ? token : undefined
}

/** Returns the token by which a student is signed in on the device. */
export function studentToken(request: Request): string | undefined {
  const token = cookie(request, STUDENT_COOKIE)
  return token !== undefined && TOKEN.test(token) ? token : undefined
}

function cookie(request: Request, name: string): string | undefined {
  const pair = (request.headers.cookie ?? '')
    .split(';')
    .map((part) => part.trim())
    .find((part) => part.startsWith(`${name}=`))
  return pair?.slice(name.length + 1) || undefined
}
