import { AnswerName, CreateLive, LiveAgain, SendCommand } from '@otter/api'
import { Router, type Request } from 'express'
import { z } from 'zod'
import { signPass } from '../live/passes.ts'
import { answerName, answersOf } from '../services/liveStudents.ts'
import { createLive, readSession, sendCommand } from '../services/liveSessions.ts'
import { doorOf, readHost, readWall, type Door } from '../services/liveStates.ts'
import { playMissed } from '../services/missedAgain.ts'
import { readOffer } from '../services/offers.ts'
import { asTeacher, asTeacherReading, idOf, teacherOf, whileWaiting, type Context } from './context.ts'

/** For whom a screen is: the teacher, or the wall that all see. */
const Screen = z.enum(['teacher', 'wall'])

/** Live sessions, as their hosts reach them. */
export default function liveRoutes(context: Context): Router {
  const router = Router()
  const doorFor = (request: Request): Door =>
    doorOf(context.publicUrl, `${request.protocol}://${request.get('host') ?? 'localhost'}`)
  router.post('/lists/:id/live', async (request, response) => {
    const wanted = CreateLive.parse(request.body)
    const teacherId = teacherOf(request)
    const offerId = await createLive(context, teacherId, idOf(request), wanted, whileWaiting(response))
    response.status(201).json(await asTeacher(context, request, (scope) => readOffer(scope, offerId)))
  })
  router.get('/live/:id', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readHost(scope, idOf(request), doorFor(request))))
  })
  router.get('/live/:id/wall', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readWall(scope, idOf(request), doorFor(request))))
  })
  router.post('/live/:id/passes/:screen', async (request, response) => {
    const audience = Screen.parse(request.params.screen)
    const teacherId = teacherOf(request)
    const { offer } = await asTeacher(context, request, (scope) => readSession(scope, idOf(request)))
    response.json({ pass: signPass(context.sessionSecret, { audience, offerId: offer.id, teacherId }) })
  })
  router.post('/live/:id/commands', async (request, response) => {
    const sent = SendCommand.parse(request.body)
    await asTeacher(context, request, (scope) => sendCommand(scope, idOf(request), sent))
    context.live.changed(idOf(request))
    response.status(204).end()
  })
  router.post('/live/:id/again', async (request, response) => {
    const wanted = LiveAgain.parse(request.body)
    const offerId = await playMissed(context, teacherOf(request), idOf(request), wanted, whileWaiting(response))
    response.status(201).json(await asTeacher(context, request, (scope) => readOffer(scope, offerId)))
  })
  router.put('/live/:id/participants/:participantId/name', async (request, response) => {
    const { allowed } = AnswerName.parse(request.body)
    const participantId = idOf(request, 'participantId')
    await asTeacher(context, request, (scope) => answerName(scope, idOf(request), participantId, allowed))
    context.live.told(idOf(request), participantId)
    response.status(204).end()
  })
  router.get('/live/:id/participants/:participantId/answers', async (request, response) => {
    response.json(
      await asTeacherReading(context, request, (scope) =>
        answersOf(scope, idOf(request), idOf(request, 'participantId')),
      ),
    )
  })
  return router
}
