import { ActAtWall, ChangeWallPlay, CreateWallPlay, PairRemote, TOKEN_HEADER, WallScreen } from '@otter/api'
import { Router, type Request } from 'express'
import { inScope } from '../db/scope.ts'
import { signPass } from '../live/passes.ts'
import { Problem } from '../problem.ts'
import { readOffer } from '../services/offers.ts'
import { dropRemotes, findRemote, makeRemoteCode, pairRemote } from '../services/remotes.ts'
import { actAtWall, changeWallPlay, createWallPlay, readWallPlay } from '../services/wallPlays.ts'
import { asAnyone, asTeacher, idOf, teacherOf, whileWaiting, type Context } from './context.ts'

/** Games for teams at one wall, as the teacher who stands beside it steers them. */
export default function wallRoutes(context: Context): Router {
  const router = Router()
  router.post('/lists/:id/wall', async (request, response) => {
    const wanted = CreateWallPlay.parse(request.body)
    const offerId = await createWallPlay(context, teacherOf(request), idOf(request), wanted, whileWaiting(response))
    response.status(201).json(await asTeacher(context, request, (scope) => readOffer(scope, offerId)))
  })
  router.get('/wall/:id', async (request, response) => {
    const { screen } = WallScreen.parse(request.query)
    response.json(await asTeacher(context, request, (scope) => readWallPlay(scope, idOf(request), screen)))
  })
  router.post('/wall/:id/acts', async (request, response) => {
    const sent = ActAtWall.parse(request.body)
    const offerId = idOf(request)
    const { screen } = WallScreen.parse(request.query)
    const reply = await asTeacher(context, request, (scope) => actAtWall(scope, offerId, sent, screen))
    context.live.boardChanged(offerId)
    response.json(reply)
  })
  router.patch('/wall/:id', async (request, response) => {
    const change = ChangeWallPlay.parse(request.body)
    await asTeacher(context, request, (scope) => changeWallPlay(scope, idOf(request), change))
    context.live.boardChanged(idOf(request))
    response.status(204).end()
  })
  router.post('/wall/:id/pass', async (request, response) => {
    const offerId = idOf(request)
    await asTeacher(context, request, (scope) => readOffer(scope, offerId))
    response.json({ pass: signPass(context.sessionSecret, { audience: 'board', offerId }) })
  })
  router.post('/wall/:id/remotes', async (request, response) => {
    response.status(201).json(await asTeacher(context, request, (scope) => makeRemoteCode(scope, idOf(request))))
  })
  router.delete('/wall/:id/remotes', async (request, response) => {
    await asTeacher(context, request, (scope) => dropRemotes(scope, idOf(request)))
    context.live.boardChanged(idOf(request))
    response.status(204).end()
  })
  return router
}

/** The remote control of a game on the wall: a phone without an account, paired by a code that holds once. */
export function remoteRoutes(context: Context): Router {
  const router = Router()
  const steering = (request: Request): Promise<{ offerId: string; teacherId: string }> =>
    asAnyone(context, (scope) => findRemote(scope, request.get(TOKEN_HEADER)))
  router.post('/remote', async (request, response) => {
    const { code } = PairRemote.parse(request.body)
    const { codes } = context.limits
    const address = request.ip ?? ''
    if (await codes.isSpent(address)) throw new Problem(429, 'too-many')
    try {
      const { token, offerId } = await asAnyone(context, (scope) => pairRemote(scope, code))
      context.live.boardChanged(offerId)
      response.status(201).json({ token })
    } catch (error) {
      if (error instanceof Problem && error.code === 'no-remote-code') await codes.take(address)
      throw error
    }
  })
  router.get('/remote', async (request, response) => {
    const { offerId, teacherId } = await steering(request)
    response.json(await inScope(context, { teacherId }, (scope) => readWallPlay(scope, offerId, 'teacher')))
  })
  router.post('/remote/acts', async (request, response) => {
    const sent = ActAtWall.parse(request.body)
    const { offerId, teacherId } = await steering(request)
    const reply = await inScope(context, { teacherId }, (scope) => actAtWall(scope, offerId, sent, 'teacher'))
    context.live.boardChanged(offerId)
    response.json(reply)
  })
  router.post('/remote/pass', async (request, response) => {
    const { offerId } = await steering(request)
    response.json({ pass: signPass(context.sessionSecret, { audience: 'board', offerId }) })
  })
  return router
}
