import { z } from 'zod'
import {
  AcceptRefused,
  EntryAnswers,
  RefusedReply,
  ReportedAnswers,
  ReportFileQuery,
  ReportQuery,
  ReportReply,
  ReportScope,
  ReteachList,
} from '../report.ts'
import { SaveStandards, StandardsReply } from '../standards.ts'
import { PassReply } from '../live.ts'
import { teacher, type Route } from './route.ts'

/** Reports of what students know. */
export const REPORT_ROUTES: readonly Route[] = [
  teacher({
    method: 'get',
    path: '/reports',
    summary: 'What students know: of one piece of work, of a list with all its games, or of a class over a span',
    query: ReportQuery,
    reply: ReportReply,
  }),
  teacher({
    method: 'get',
    path: '/reports/students/:personId',
    summary: 'What one student answered within a report',
    query: ReportScope,
    reply: ReportedAnswers,
  }),
  teacher({
    method: 'get',
    path: '/reports/entries/:entryId',
    summary: 'Who gave what to an entry in all games of a report',
    query: ReportScope,
    reply: EntryAnswers,
  }),
  teacher({
    method: 'get',
    path: '/reports/refused',
    summary: 'Typed answers that did not count, put together by what they were',
    query: ReportScope,
    reply: RefusedReply,
  }),
  teacher({
    method: 'post',
    path: '/reports/accept',
    summary: 'Accepts a typed answer from now on, and for those who gave it',
    body: AcceptRefused,
    status: 204,
  }),
  teacher({
    method: 'post',
    path: '/reports/pass',
    summary: 'A pass for the socket that tells of what is new',
    query: ReportScope,
    reply: PassReply,
  }),
  teacher({
    method: 'post',
    path: '/reports/reteach',
    summary: 'Makes a list of what was missed',
    body: ReteachList,
    status: 201,
    reply: z.object({ id: z.uuid() }),
  }),
  teacher({
    method: 'get',
    path: '/reports/file',
    summary: 'A report as a file: a table as CSV, a workbook, or a OneRoster archive',
    query: ReportFileQuery,
    reply: 'application/octet-stream',
  }),
  teacher({ method: 'get', path: '/standards', summary: 'What standards mean', reply: StandardsReply }),
  teacher({ method: 'put', path: '/standards', summary: 'Says what standards mean', body: SaveStandards, status: 204 }),
]
