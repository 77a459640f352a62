import { JoinLink, SendMove } from '@otter/api'
import { Router, type Request, type Response } from 'express'
import { rateLimit } from 'express-rate-limit'
import { Problem } from '../problem.ts'
import { joinLink, openPlay, playAgain, sendMove } from '../services/plays.ts'
import type { Context } from './context.ts'

/** How long a device is remembered. */
const REMEMBERED = 180 * 24 * 3600_000
/** Wide enough for a school behind one address, too narrow to try out codes. */
const UNKNOWN_CODES = { windowMs: 60_000, limit: 120 }

/** Playing by link: no account, one cookie for each link and device. */
export default function playRoutes({ database }: Context): Router {
  const router = Router()
  const limit = rateLimit({
    ...UNKNOWN_CODES, skipSuccessfulRequests: true, standardHeaders: true, legacyHeaders: false,
    handler: () => {
      throw new Problem(429, 'Too many tries. Wait a minute, then try again.', undefined, 'too-many')
    },
  })
  router.use('/play', limit)
  router.get('/play/:code', async (request, response) => {
    response.json(await openPlay(database, codeOf(request), tokenOf(request)))
  })
  router.post('/play/:code/join', async (request, response) => {
    const { token, reply } = await joinLink(database, codeOf(request), JoinLink.parse(request.body).name)
    remember(request, response, token, REMEMBERED)
    response.status(201).json(reply)
  })
  router.post('/play/:code/moves', async (request, response) => {
    response.json(await sendMove(database, codeOf(request), tokenOf(request), SendMove.parse(request.body)))
  })
  router.post('/play/:code/again', async (request, response) => {
    response.json(await playAgain(database, codeOf(request), tokenOf(request)))
  })
  router.post('/play/:code/leave', (request, response) => {
    remember(request, response, '', 0)
    response.status(204).end()
  })
  return router
}

function codeOf(request: Request): string {
  return String(request.params.code).toUpperCase().slice(0, 20)
}

function remember(request: Request, response: Response, token: string, maxAge: number): void {
  response.cookie('otter_player', token, { path: `/api/play/${codeOf(request)}`, httpOnly: true, sameSite: 'strict', secure: request.secure, maxAge })
}

function tokenOf(request: Request): string | undefined {
  const pair = (request.headers.cookie ?? '').split(';').map((part) => part.trim()).find((part) => part.startsWith('otter_player='))
  return pair?.slice('otter_player='.length) || undefined
}
