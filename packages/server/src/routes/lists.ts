import {
  ArchiveList,
  CreateList,
  CreateOffer,
  GiveList,
  OfferRules,
  SaveList,
  TakeCopy,
  type SampleReply,
} from '@otter/api'
import { Router } from 'express'
import { z } from 'zod'
import { copySample, sampleLists } from '../sample/copies.ts'
import { giveList, keepList, readGiven, readGiving, takeCopy } from '../services/copies.ts'
import {
  archiveList,
  createList,
  deleteList,
  duplicateList,
  listLists,
  readList,
  readVersion,
  saveList,
} from '../services/lists.ts'
import { createOffer, readOffers } from '../services/offers.ts'
import { readProved } from '../services/proved.ts'
import { asTeacher, asTeacherReading, idOf, teacherOf, whileWaiting, type Context } from './context.ts'

/** A code by which a list is given; another text is none. */
const CopyCode = z
  .string()
  .transform((code) => code.toUpperCase())
  .pipe(z.string().regex(/^[A-Z0-9]{16}$/u, 'no-such-copy'))

/** Lists, and the links that are made of one. */
export default function listRoutes(context: Context): Router {
  const router = Router()
  router.get('/samples', (request, response) => {
    teacherOf(request)
    response.json(sampleLists() satisfies SampleReply[])
  })
  router.post('/samples/:place/copy', async (request, response) => {
    const place = z.coerce.number().int().min(0).parse(request.params.place)
    response.status(201).json(await asTeacher(context, request, (scope) => copySample(scope, place)))
  })
  router.get('/lists', async (request, response) => {
    response.json(await asTeacher(context, request, listLists))
  })
  router.post('/lists', async (request, response) => {
    response
      .status(201)
      .json(await asTeacher(context, request, (scope) => createList(scope, CreateList.parse(request.body))))
  })
  router.get('/lists/:id', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readList(scope, idOf(request))))
  })
  router.patch('/lists/:id', async (request, response) => {
    response.json(
      await asTeacher(context, request, (scope) => saveList(scope, idOf(request), SaveList.parse(request.body))),
    )
  })
  router.get('/lists/:id/version', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readVersion(scope, idOf(request))))
  })
  router.get('/lists/:id/proved', async (request, response) => {
    response.json({ proved: await asTeacherReading(context, request, (scope) => readProved(scope, idOf(request))) })
  })
  router.post('/lists/:id/duplicate', async (request, response) => {
    response.status(201).json(await asTeacher(context, request, (scope) => duplicateList(scope, idOf(request))))
  })
  router.get('/lists/:id/giving', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readGiving(scope, idOf(request))))
  })
  router.put('/lists/:id/giving', async (request, response) => {
    const given = GiveList.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => giveList(scope, idOf(request), given)))
  })
  router.delete('/lists/:id/giving', async (request, response) => {
    await asTeacher(context, request, (scope) => keepList(scope, idOf(request)))
    response.status(204).end()
  })
  router.get('/copies/:copy', async (request, response) => {
    const code = CopyCode.parse(request.params.copy)
    response.json(await asTeacherReading(context, request, (scope) => readGiven(scope, code)))
  })
  router.post('/copies/:copy', async (request, response) => {
    const code = CopyCode.parse(request.params.copy)
    const { id } = TakeCopy.parse(request.body)
    await takeCopy(context, teacherOf(request), code, id, whileWaiting(response))
    response.status(201).json({ id })
  })
  router.put('/lists/:id/archived', async (request, response) => {
    await asTeacher(context, request, (scope) =>
      archiveList(scope, idOf(request), ArchiveList.parse(request.body).archived),
    )
    response.status(204).end()
  })
  router.delete('/lists/:id', async (request, response) => {
    await asTeacher(context, request, (scope) => deleteList(scope, idOf(request)))
    response.status(204).end()
  })
  router.get('/lists/:id/links', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readOffers(scope, idOf(request))))
  })
  router.post('/lists/:id/links', async (request, response) => {
    const wanted = CreateOffer.parse(request.body)
    response
      .status(201)
      .json(
        await createOffer(
          context,
          teacherOf(request),
          idOf(request),
          wanted,
          { rules: OfferRules.parse({ type: 'link', play: wanted.rules }) },
          whileWaiting(response),
        ),
      )
  })
  return router
}
