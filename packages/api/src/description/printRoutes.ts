import { GAME_KINDS } from '@otter/core'
import { z } from 'zod'
import { PrintedReply, PrintSheets, PrintsReply, PrintVersions, SheetLayout } from '../sheet.ts'
import { teacher, type Route } from './route.ts'

const Queued = z.object({ id: z.uuid() })

/** Sheets of a list's game. */
export const PRINT_ROUTES: readonly Route[] = [
  teacher({
    method: 'post',
    path: '/lists/:id/sheets',
    summary: 'Queues sheets to be made as a PDF; replies the id of the job',
    body: PrintSheets,
    status: 202,
    reply: Queued,
  }),
  teacher({
    method: 'post',
    path: '/lists/:id/prints',
    summary: 'Queues that sheets which a browser prints are kept; replies the id of the job',
    body: PrintVersions,
    status: 202,
    reply: Queued,
  }),
  teacher({
    method: 'get',
    path: '/lists/:id/prints',
    summary: 'What was printed of a game of the list',
    query: z.object({ kind: z.enum(GAME_KINDS) }),
    reply: PrintsReply,
  }),
  teacher({ method: 'get', path: '/prints/:id', summary: 'Printed sheets, as they were', reply: PrintedReply }),
  teacher({
    method: 'post',
    path: '/prints/:id/sheets',
    summary: 'Queues printed sheets to be made as a PDF again; replies the id of the job',
    body: SheetLayout,
    status: 202,
    reply: Queued,
  }),
]
