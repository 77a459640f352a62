import { OfferReply } from '../offer.ts'
import {
  AnswerName,
  CreateLive,
  HostState,
  LiveAgain,
  PassReply,
  SendCommand,
  StudentAnswers,
  WallState,
} from '../live.ts'
import { teacher, type Route } from './route.ts'

/** Live sessions, as their hosts lead them. */
export const LIVE_ROUTES: readonly Route[] = [
  teacher({
    method: 'post',
    path: '/lists/:id/live',
    summary: 'Opens a live session of a list as a game',
    body: CreateLive,
    status: 201,
    reply: OfferReply,
  }),
  teacher({ method: 'get', path: '/live/:id', summary: 'A live session as its host sees it', reply: HostState }),
  teacher({ method: 'get', path: '/live/:id/wall', summary: 'It as the class sees it on the wall', reply: WallState }),
  teacher({
    method: 'post',
    path: '/live/:id/passes/:screen',
    summary: 'A pass that opens a socket for a screen',
    reply: PassReply,
  }),
  teacher({
    method: 'post',
    path: '/live/:id/commands',
    summary: 'Starts it, pauses it, goes on, ends it',
    body: SendCommand,
    status: 204,
  }),
  teacher({
    method: 'post',
    path: '/live/:id/again',
    summary: 'Opens a session of what the class missed',
    body: LiveAgain,
    status: 201,
    reply: OfferReply,
  }),
  teacher({
    method: 'put',
    path: '/live/:id/participants/:participantId/name',
    summary: 'Lets a name in that was held',
    body: AnswerName,
    status: 204,
  }),
  teacher({
    method: 'get',
    path: '/live/:id/participants/:participantId/answers',
    summary: 'What a student has answered so far',
    reply: StudentAnswers,
  }),
]
