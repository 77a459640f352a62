import { z } from 'zod'
import { GuestIsStudent } from '../class.ts'
import { WorkSetting } from '../work.ts'
import {
  AnswerReturn,
  CorrectQuestion,
  AnswersReply,
  CallTerms,
  ChangeOffer,
  ChangeParticipant,
  HereReply,
  LateAnswers,
  LeadReply,
  MergeParticipant,
  OfferReply,
  ResultsReply,
} from '../offer.ts'
import { teacher, type Route } from './route.ts'

const PARTICIPANT = '/links/:id/participants/:participantId'

/** Offers of games, who takes part in them, and their results. */
export const OFFER_ROUTES: readonly Route[] = [
  teacher({ method: 'get', path: '/links', summary: 'All offers', reply: z.array(OfferReply) }),
  teacher({
    method: 'patch',
    path: '/links/:id',
    summary: 'Closes an offer or opens it, names it, or stops its clocks',
    body: ChangeOffer,
    reply: OfferReply,
  }),
  teacher({ method: 'delete', path: '/links/:id', summary: 'Deletes an offer and its results', status: 204 }),
  teacher({
    method: 'post',
    path: '/links/:id/renew',
    summary: 'Puts the list as it is now under the same link',
    reply: OfferReply,
  }),
  teacher({
    method: 'get',
    path: '/links/:id/lead',
    summary: 'Its game with the answers, and how far it was called',
    reply: LeadReply,
  }),
  teacher({ method: 'get', path: '/links/:id/here', summary: 'Who takes part, and who is here now', reply: HereReply }),
  teacher({
    method: 'put',
    path: '/links/:id/calls',
    summary: 'Says how many terms were called for all',
    body: CallTerms,
    status: 204,
  }),
  teacher({
    method: 'get',
    path: '/links/:id/results',
    summary: 'Who had how much right, and what the class gave; with an ETag',
    reply: ResultsReply,
  }),
  teacher({
    method: 'get',
    path: '/links/:id/results.csv',
    summary: 'Results as a file',
    query: z.object({ language: z.string().optional() }),
    reply: 'text/csv',
  }),
  teacher({ method: 'get', path: '/links/:id/work', summary: 'What holds for set work', reply: WorkSetting }),
  teacher({
    method: 'put',
    path: '/links/:id/work',
    summary: 'Changes what holds for set work',
    body: WorkSetting,
    reply: WorkSetting,
  }),
  teacher({
    method: 'get',
    path: '/links/:id/questions/:entryId',
    summary: 'Who gave which answer to a question',
    reply: AnswersReply,
  }),
  teacher({
    method: 'put',
    path: '/links/:id/questions/:entryId/correction',
    summary: 'Says how answers to a question count: those given before are judged again',
    body: CorrectQuestion,
    status: 204,
  }),
  teacher({
    method: 'patch',
    path: PARTICIPANT,
    summary: 'Renames a participant, takes one out or lets one back in, or gives one more time',
    body: ChangeParticipant,
    status: 204,
  }),
  teacher({
    method: 'put',
    path: `${PARTICIPANT}/student`,
    summary: 'Says that a guest is a student of the class',
    body: GuestIsStudent,
    status: 204,
  }),
  teacher({
    method: 'put',
    path: `${PARTICIPANT}/return`,
    summary: 'Says whether a participant who wants to come back is who it says to be',
    body: AnswerReturn,
    status: 204,
  }),
  teacher({
    method: 'put',
    path: `${PARTICIPANT}/merged`,
    summary: 'Says that a participant is the same person as another, or is not',
    body: MergeParticipant,
    status: 204,
  }),
  teacher({
    method: 'get',
    path: `${PARTICIPANT}/late`,
    summary: 'What a participant answered too late, as it would count',
    reply: LateAnswers,
  }),
  teacher({
    method: 'post',
    path: `${PARTICIPANT}/late`,
    summary: 'Counts what a participant answered too late',
    status: 204,
  }),
  teacher({ method: 'delete', path: PARTICIPANT, summary: 'Deletes a participant and all attempts', status: 204 }),
  teacher({
    method: 'post',
    path: '/links/:id/plays/:playId/time-back',
    summary: 'Gives back the time for which the device was away',
    status: 204,
  }),
  teacher({
    method: 'post',
    path: '/links/:id/plays/:playId/give-back',
    summary: 'Gives an attempt back that was ended',
    status: 204,
  }),
]
