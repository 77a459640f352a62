import { ChangeRoster, DrawName, RosterKnowledge, RosterReply, SaveRoster } from '../roster.ts'
import { z } from 'zod'
import { teacher, type Route } from './route.ts'

/** Names that a teacher keeps. */
export const ROSTER_ROUTES: readonly Route[] = [
  teacher({ method: 'get', path: '/rosters', summary: 'The lists of names', reply: z.array(RosterReply) }),
  teacher({
    method: 'post',
    path: '/rosters',
    summary: 'Keeps a new list of names',
    body: SaveRoster,
    status: 201,
    reply: RosterReply,
  }),
  teacher({
    method: 'put',
    path: '/rosters/:id',
    summary: 'Changes a list of names',
    body: ChangeRoster,
    reply: RosterReply,
  }),
  teacher({ method: 'delete', path: '/rosters/:id', summary: 'Deletes a list of names', status: 204 }),
  teacher({
    method: 'post',
    path: '/rosters/:id/draws',
    summary: 'Draws a student who is here',
    body: DrawName,
    reply: RosterReply,
  }),
  teacher({
    method: 'delete',
    path: '/rosters/:id/draws/last',
    summary: 'Takes the last draw back',
    reply: RosterReply,
  }),
  teacher({
    method: 'get',
    path: '/rosters/:id/knowledge',
    summary: 'How well its students did, and what they missed',
    reply: RosterKnowledge,
  }),
]
