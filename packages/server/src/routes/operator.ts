import { timingSafeEqual } from 'node:crypto'
import type { MailReply } from '@otter/api'
import { Router, type Request } from 'express'
import { Problem } from '../problem.ts'
import { readMails } from '../services/mails.ts'
import { asAnyone, type Context } from './context.ts'

const LOCAL_NAMES = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/u
const LOCAL_ADDRESSES = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])
const isLocal = (address: string): boolean => LOCAL_ADDRESSES.has(address.trim())

/**
 * What whoever runs the server may see. A mail can open an account: so it takes the secret that is printed when the
 * server starts, and a browser on the same machine that went to it by a name of the machine itself: proxies, such as the one
 * before several servers, must all say so.
 */
export default function operatorRoutes(context: Context): Router {
  const router = Router()
  router.get('/operator/mails', async (request, response) => {
    if (!isOperator(request, context.operatorSecret)) throw new Problem(404, 'nothing-here')
    response.json((await asAnyone(context, readMails)) satisfies MailReply[])
  })
  return router
}

function isOperator(request: Request, secret: string | undefined): boolean {
  if (secret === undefined) return false
  const isHere =
    isLocal(request.socket.remoteAddress ?? '') &&
    LOCAL_NAMES.test(request.get('Host') ?? '') &&
    (request.get('X-Forwarded-For')?.split(',').every(isLocal) ?? true) &&
    request.get('Forwarded') === undefined
  const [given, expected] = [request.get('Authorization') ?? '', `Bearer ${secret}`].map((text) => Buffer.from(text))
  return isHere && given!.length === expected!.length && timingSafeEqual(given!, expected!)
}
