import { createHash } from 'node:crypto'
import {
  AnswerReturn,
  CallTerms,
  ChangeOffer,
  ChangeParticipant,
  CorrectQuestion,
  GuestIsStudent,
  LANGUAGE_CODES,
  MergeParticipant,
  WorkSetting,
} from '@otter/api'
import { Router } from 'express'
import { z } from 'zod'
import { reading } from '../db/scope.ts'
import { changeOffer, deleteOffer, readOffers } from '../services/offers.ts'
import { renewOffer } from '../services/renewals.ts'
import { correctQuestion } from '../services/corrections.ts'
import { countLateAnswers, readLate } from '../services/lateAnswers.ts'
import { callTerms, readHere, readLead } from '../services/leading.ts'
import { answerReturn } from '../services/participants.ts'
import {
  changeParticipant,
  deleteParticipant,
  giveAttemptBack,
  guestIsStudent,
  mergeParticipant,
} from '../services/participantChanges.ts'
import { readAnswers, readResults, resultsCsv, resultsTag } from '../services/results.ts'
import { giveTimeBack } from '../services/timeBack.ts'
import { changeWork, readWorkSetting } from '../services/workSettings.ts'
import { asTeacher, asTeacherReading, idOf, teacherOf, whileWaiting, type Context } from './context.ts'

/** Language of a file's headings, where it is asked for. */
const Language = z.enum(LANGUAGE_CODES).catch('en')

/** Offers of games to students, who takes part in them, and their results. To teachers an offer is a link. */
export default function offerRoutes(context: Context): Router {
  const router = Router()
  router.get('/links', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readOffers(scope)))
  })
  router.patch('/links/:id', async (request, response) => {
    response.json(
      await asTeacher(context, request, (scope) => changeOffer(scope, idOf(request), ChangeOffer.parse(request.body))),
    )
  })
  router.delete('/links/:id', async (request, response) => {
    await asTeacher(context, request, (scope) => deleteOffer(scope, idOf(request)))
    context.live.changed(idOf(request))
    response.status(204).end()
  })
  router.post('/links/:id/renew', async (request, response) => {
    response.json(await renewOffer(context, teacherOf(request), idOf(request), whileWaiting(response)))
  })
  router.get('/links/:id/lead', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readLead(scope, idOf(request))))
  })
  router.get('/links/:id/here', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readHere(scope, idOf(request))))
  })
  router.put('/links/:id/calls', async (request, response) => {
    await asTeacher(context, request, (scope) => callTerms(scope, idOf(request), CallTerms.parse(request.body)))
    context.live.changed(idOf(request))
    response.status(204).end()
  })
  router.get('/links/:id/results', async (request, response) => {
    const asked = request.get('If-None-Match')
    const tag = (state: string): string => `"${createHash('sha256').update(state).digest('base64url')}"`
    const id = idOf(request)
    if (
      asked !== undefined &&
      asked === tag(await reading(context, teacherOf(request), (reader) => resultsTag(reader, id)))
    ) {
      response.status(304).set('ETag', asked).end()
      return
    }
    const { state, results } = await asTeacherReading(context, request, async (scope) => ({
      state: await resultsTag(scope, id),
      results: await readResults(scope, id),
    }))
    response.set('ETag', tag(state)).json(results)
  })
  router.get('/links/:id/results.csv', async (request, response) => {
    const language = Language.parse(request.query.language)
    const results = await asTeacherReading(context, request, (scope) => readResults(scope, idOf(request)))
    response
      .type('text/csv; charset=utf-8')
      .attachment(`results-${results.offer.code}.csv`)
      .send(resultsCsv(results, language))
  })
  router.get('/links/:id/questions/:entryId', async (request, response) => {
    response.json(
      await asTeacherReading(context, request, (scope) => readAnswers(scope, idOf(request), idOf(request, 'entryId'))),
    )
  })
  router.get('/links/:id/work', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readWorkSetting(scope, idOf(request))))
  })
  router.put('/links/:id/work', async (request, response) => {
    const setting = WorkSetting.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => changeWork(scope, idOf(request), setting)))
  })
  router.put('/links/:id/questions/:entryId/correction', async (request, response) => {
    const correction = { ...CorrectQuestion.parse(request.body), entryId: idOf(request, 'entryId') }
    await asTeacher(context, request, (scope) => correctQuestion(scope, idOf(request), correction))
    context.live.changed(idOf(request))
    response.status(204).end()
  })
  router.patch('/links/:id/participants/:participantId', async (request, response) => {
    await asTeacher(context, request, (scope) =>
      changeParticipant(scope, idOf(request), idOf(request, 'participantId'), ChangeParticipant.parse(request.body)),
    )
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.put('/links/:id/participants/:participantId/merged', async (request, response) => {
    await asTeacher(context, request, (scope) =>
      mergeParticipant(scope, idOf(request), idOf(request, 'participantId'), MergeParticipant.parse(request.body).into),
    )
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.put('/links/:id/participants/:participantId/student', async (request, response) => {
    const { studentId } = GuestIsStudent.parse(request.body)
    await asTeacher(context, request, (scope) =>
      guestIsStudent(scope, idOf(request), idOf(request, 'participantId'), studentId),
    )
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.put('/links/:id/participants/:participantId/return', async (request, response) => {
    await asTeacher(context, request, (scope) =>
      answerReturn(scope, idOf(request), idOf(request, 'participantId'), AnswerReturn.parse(request.body).same),
    )
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.get('/links/:id/participants/:participantId/late', async (request, response) => {
    response.json(
      await asTeacherReading(context, request, (scope) =>
        readLate(scope, idOf(request), idOf(request, 'participantId')),
      ),
    )
  })
  router.post('/links/:id/participants/:participantId/late', async (request, response) => {
    await asTeacher(context, request, (scope) => countLateAnswers(scope, idOf(request), idOf(request, 'participantId')))
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.delete('/links/:id/participants/:participantId', async (request, response) => {
    await asTeacher(context, request, (scope) =>
      deleteParticipant(scope, idOf(request), idOf(request, 'participantId')),
    )
    context.live.told(idOf(request), idOf(request, 'participantId'))
    response.status(204).end()
  })
  router.post('/links/:id/plays/:playId/time-back', async (request, response) => {
    const personId = await asTeacher(context, request, (scope) =>
      giveTimeBack(scope, idOf(request), idOf(request, 'playId')),
    )
    context.live.told(idOf(request), personId)
    response.status(204).end()
  })
  router.post('/links/:id/plays/:playId/give-back', async (request, response) => {
    const personId = await asTeacher(context, request, (scope) =>
      giveAttemptBack(scope, idOf(request), idOf(request, 'playId')),
    )
    context.live.told(idOf(request), personId)
    response.status(204).end()
  })
  return router
}
