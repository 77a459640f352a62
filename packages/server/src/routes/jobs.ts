import { Router } from 'express'
import { readJob, readJobFile, stopJob } from '../services/jobs.ts'
import { asTeacher, idOf, type Context } from './context.ts'

/** Long work of a teacher: how it stands, what it made, and stopping it. */
export default function jobRoutes(context: Context): Router {
  const router = Router()
  router.get('/jobs/:id', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readJob(scope, idOf(request))))
  })
  router.get('/jobs/:id/file', async (request, response) => {
    const { type, bytes } = await asTeacher(context, request, (scope) => readJobFile(scope, idOf(request)))
    response.type(type).set('Content-Disposition', 'inline; filename="sheets.pdf"').send(bytes)
  })
  router.delete('/jobs/:id', async (request, response) => {
    await asTeacher(context, request, (scope) => stopJob(scope, idOf(request)))
    response.status(204).end()
  })
  return router
}
