import { ChangeRoster, DrawName, SaveRoster } from '@otter/api'
import { Router } from 'express'
import {
  createRoster,
  deleteRoster,
  drawName,
  readRosterKnowledge,
  readRosters,
  saveRoster,
  undrawName,
} from '../services/rosters.ts'
import { asTeacher, idOf, type Context } from './context.ts'

/** Names that a teacher keeps, to draw from and to make teams of. */
export default function rosterRoutes(context: Context): Router {
  const router = Router()
  router.get('/rosters', async (request, response) => {
    response.json(await asTeacher(context, request, readRosters))
  })
  router.post('/rosters', async (request, response) => {
    const roster = SaveRoster.parse(request.body)
    response.status(201).json(await asTeacher(context, request, (scope) => createRoster(scope, roster)))
  })
  router.put('/rosters/:id', async (request, response) => {
    const roster = ChangeRoster.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => saveRoster(scope, idOf(request), roster)))
  })
  router.delete('/rosters/:id', async (request, response) => {
    await asTeacher(context, request, (scope) => deleteRoster(scope, idOf(request)))
    response.status(204).end()
  })
  router.post('/rosters/:id/draws', async (request, response) => {
    const { requestId } = DrawName.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => drawName(scope, idOf(request), requestId)))
  })
  router.delete('/rosters/:id/draws/last', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => undrawName(scope, idOf(request))))
  })
  router.get('/rosters/:id/knowledge', async (request, response) => {
    response.json(await asTeacher(context, request, (scope) => readRosterKnowledge(scope, idOf(request))))
  })
  return router
}
