import { ArchiveList, CreateLink, CreateList, PrintSheets, SaveList } from '@otter/api'
import { Router } from 'express'
import { createLink, linksOfList } from '../services/links.ts'
import { archiveList, createList, deleteList, duplicateList, listLists, readList, readVersion, saveList } from '../services/lists.ts'
import { printSheets } from '../services/sheets.ts'
import { idOf, teacherOf, type Context } from './context.ts'

/** Lists, and what is made of one: links and sheets. */
export default function listRoutes({ database, workers }: Context): Router {
  const router = Router()
  router.get('/lists', async (request, response) => {
    response.json(await listLists(database, teacherOf(request)))
  })
  router.post('/lists', async (request, response) => {
    response.status(201).json(await createList(database, teacherOf(request), CreateList.parse(request.body)))
  })
  router.get('/lists/:id', async (request, response) => {
    response.json(await readList(database, teacherOf(request), idOf(request)))
  })
  router.patch('/lists/:id', async (request, response) => {
    response.json(await saveList(database, teacherOf(request), idOf(request), SaveList.parse(request.body)))
  })
  router.get('/lists/:id/version', async (request, response) => {
    response.json(await readVersion(database, teacherOf(request), idOf(request)))
  })
  router.post('/lists/:id/duplicate', async (request, response) => {
    response.status(201).json(await duplicateList(database, teacherOf(request), idOf(request)))
  })
  router.put('/lists/:id/archived', async (request, response) => {
    await archiveList(database, teacherOf(request), idOf(request), ArchiveList.parse(request.body).archived)
    response.status(204).end()
  })
  router.delete('/lists/:id', async (request, response) => {
    await deleteList(database, teacherOf(request), idOf(request))
    response.status(204).end()
  })
  router.get('/lists/:id/links', async (request, response) => {
    response.json(await linksOfList(database, teacherOf(request), idOf(request)))
  })
  router.post('/lists/:id/links', async (request, response) => {
    response.status(201).json(await createLink(database, workers, teacherOf(request), idOf(request), CreateLink.parse(request.body)))
  })
  router.post('/lists/:id/sheets', async (request, response) => {
    const origin = `${request.protocol}://${request.get('host') ?? 'localhost'}`
    const pdf = await printSheets(database, workers, teacherOf(request), idOf(request), PrintSheets.parse(request.body), origin)
    response.type('application/pdf').set('Content-Disposition', 'inline; filename="sheets.pdf"').send(Buffer.from(pdf))
  })
  return router
}
