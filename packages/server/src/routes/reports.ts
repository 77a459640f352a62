import { once } from 'node:events'
import { AcceptRefused, ReportFileQuery, ReportQuery, ReportScope, ReteachList, SaveStandards } from '@otter/api'
import { Router, type Response } from 'express'
import { signPass } from '../live/passes.ts'
import { reportWorks } from '../db/queries/report.ts'
import { spanOf, titleOf } from '../services/gatheredReport.ts'
import { readReport } from '../services/report.ts'
import { acceptRefused, readEntryAnswers, readRefused, readStudentAnswers } from '../services/reportAnswers.ts'
import { Problem } from '../problem.ts'
import { oneRosterResults, writeCsvFile, writeWorkbookFile, type Give } from '../services/reportFiles.ts'
import { makeReteachList } from '../services/reteach.ts'
import { readStandards, saveStandards } from '../services/standards.ts'
import { asTeacher, asTeacherReading, idOf, teacherOf, type Context } from './context.ts'

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** Reports of what students know: of one piece of work, of a list, of a class over a span. */
export default function reportRoutes(context: Context): Router {
  const router = Router()
  router.get('/reports', async (request, response) => {
    const { offset, ...scope } = ReportQuery.parse(request.query)
    response.json(await asTeacher(context, request, (teacher) => readReport(teacher, scope, offset)))
  })
  router.get('/reports/students/:personId', async (request, response) => {
    const scope = ReportScope.parse(request.query)
    const answers = await asTeacherReading(context, request, (teacher) =>
      readStudentAnswers(teacher, scope, idOf(request, 'personId')),
    )
    response.json({ answers })
  })
  router.get('/reports/entries/:entryId', async (request, response) => {
    const scope = ReportScope.parse(request.query)
    response.json(
      await asTeacherReading(context, request, (teacher) => readEntryAnswers(teacher, scope, idOf(request, 'entryId'))),
    )
  })
  router.get('/reports/refused', async (request, response) => {
    const scope = ReportScope.parse(request.query)
    response.json({ groups: await asTeacherReading(context, request, (teacher) => readRefused(teacher, scope)) })
  })
  router.post('/reports/accept', async (request, response) => {
    const { scope, ...accepted } = AcceptRefused.parse(request.body)
    const offerIds = await asTeacher(context, request, (teacher) => acceptRefused(teacher, scope, accepted))
    for (const offerId of offerIds) context.live.changed(offerId)
    response.status(204).end()
  })
  router.post('/reports/pass', async (request, response) => {
    const scope = ReportScope.parse(request.query)
    const teacherId = teacherOf(request)
    await asTeacherReading(context, request, async (teacher) =>
      titleOf(teacher, spanOf(scope), await reportWorks(teacher, spanOf(scope))),
    )
    response.json({ pass: signPass(context.sessionSecret, { audience: 'report', teacherId, scope }) })
  })
  router.post('/reports/reteach', async (request, response) => {
    const wanted = ReteachList.parse(request.body)
    await asTeacher(context, request, (teacher) => makeReteachList(teacher, wanted))
    response.status(201).json({ id: wanted.id })
  })
  router.get('/reports/file', async (request, response) => {
    const { what, language, scale, ...scope } = ReportFileQuery.parse(request.query)
    const teacherId = teacherOf(request)
    const wanted = { scope, language, scale }
    if (what === 'oneroster') {
      const bytes = await oneRosterResults(context, teacherId, scope, new Date())
      response.type('application/zip').attachment('results.zip').send(Buffer.from(bytes))
      return
    }
    const isBook = what === 'workbook'
    const give = givingTo(response, () =>
      response.type(isBook ? XLSX : 'text/csv; charset=utf-8').attachment(isBook ? 'results.xlsx' : `${what}.csv`),
    )
    if (isBook) await writeWorkbookFile(context, teacherId, wanted, give)
    else await writeCsvFile(context, teacherId, { ...wanted, what }, give)
    response.end()
  })
  router.get('/standards', async (request, response) => {
    response.json({ standards: await asTeacherReading(context, request, readStandards) })
  })
  router.put('/standards', async (request, response) => {
    await asTeacher(context, request, (teacher) => saveStandards(teacher, SaveStandards.parse(request.body)))
    response.status(204).end()
  })
  return router
}

/** Returns what writes pieces to a reply: no faster than the line takes them, and not to who has left. */
function givingTo(response: Response, begin: () => void): Give {
  return async (piece) => {
    if (response.destroyed) throw new Problem(499, 'gave-up')
    // Until there is something to write, what fails is told as a problem.
    if (!response.headersSent) begin()
    if (response.write(piece) || response.destroyed) return
    // Who waits no more, for either, leaves no listener behind.
    const waiting = new AbortController()
    const { signal } = waiting
    try {
      await Promise.race([once(response, 'drain', { signal }), once(response, 'close', { signal })])
    } finally {
      waiting.abort()
    }
  }
}
