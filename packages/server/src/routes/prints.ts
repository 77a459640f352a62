import { PrintSheets, PrintVersions, SheetLayout, type PrintedReply, type PrintsReply } from '@otter/api'
import { GAME_KINDS } from '@otter/core'
import { Router, type Request } from 'express'
import { z } from 'zod'
import { readPrinted, readPrints } from '../services/prints.ts'
import { queueAgain, queuePrint, queueSheets } from '../services/sheets.ts'
import { asTeacher, asTeacherReading, idOf, type Context } from './context.ts'

const PrintsOf = z.object({ kind: z.enum(GAME_KINDS) })

/** Sheets of lists: made, kept, and printed again. */
export default function printRoutes(context: Context): Router {
  const router = Router()
  router.post('/lists/:id/sheets', async (request, response) => {
    const sheets = PrintSheets.parse(request.body)
    const id = await asTeacher(context, request, (scope) =>
      queueSheets(scope, idOf(request), sheets, originOf(request)),
    )
    context.jobs.wake()
    response.status(202).json({ id })
  })
  router.post('/lists/:id/prints', async (request, response) => {
    const print = PrintVersions.parse(request.body)
    const id = await asTeacher(context, request, (scope) => queuePrint(scope, idOf(request), print))
    context.jobs.wake()
    response.status(202).json({ id })
  })
  router.get('/lists/:id/prints', async (request, response) => {
    const { kind } = PrintsOf.parse(request.query)
    const prints = await asTeacher(context, request, (scope) => readPrints(scope, idOf(request), kind))
    response.json({ prints } satisfies PrintsReply)
  })
  router.get('/prints/:id', async (request, response) => {
    const printed: PrintedReply = await asTeacherReading(context, request, (scope) => readPrinted(scope, idOf(request)))
    response.json(printed)
  })
  router.post('/prints/:id/sheets', async (request, response) => {
    const layout = SheetLayout.parse(request.body)
    const id = await asTeacher(context, request, (scope) => queueAgain(scope, idOf(request), layout, originOf(request)))
    context.jobs.wake()
    response.status(202).json({ id })
  })
  return router
}

function originOf(request: Request): string {
  return `${request.protocol}://${request.get('host') ?? 'localhost'}`
}
