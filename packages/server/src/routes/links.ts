import { ChangeLink } from '@otter/api'
import { Router } from 'express'
import { changeLink, renewLink } from '../services/links.ts'
import { readResults, resultsCsv } from '../services/results.ts'
import { idOf, teacherOf, type Context } from './context.ts'

/** Links and their results. */
export default function linkRoutes({ database, workers }: Context): Router {
  const router = Router()
  router.patch('/links/:id', async (request, response) => {
    response.json(await changeLink(database, teacherOf(request), idOf(request), ChangeLink.parse(request.body).open))
  })
  router.post('/links/:id/renew', async (request, response) => {
    response.json(await renewLink(database, workers, teacherOf(request), idOf(request)))
  })
  router.get('/links/:id/results', async (request, response) => {
    response.json(await readResults(database, teacherOf(request), idOf(request)))
  })
  router.get('/links/:id/results.csv', async (request, response) => {
    const results = await readResults(database, teacherOf(request), idOf(request))
    response.type('text/csv; charset=utf-8').attachment(`results-${results.link.code}.csv`).send(resultsCsv(results))
  })
  return router
}
