import { z } from 'zod'
import { GiveList, GivenReply, GivingReply, TakeCopy } from '../copy.ts'
import {
  ArchiveList,
  CreateList,
  ListReply,
  ListSummary,
  ProvedReply,
  SampleReply,
  SaveList,
  VersionReply,
} from '../list.ts'
import { CreateOffer, OfferReply } from '../offer.ts'
import { teacher, type Route } from './route.ts'

/** Routes of lists. */
export const LIST_ROUTES: readonly Route[] = [
  teacher({ method: 'get', path: '/lists', summary: 'All lists', reply: z.array(ListSummary) }),
  teacher({
    method: 'post',
    path: '/lists',
    summary: 'Makes a list',
    body: CreateList,
    status: 201,
    reply: ListReply,
  }),
  teacher({
    method: 'get',
    path: '/samples',
    summary: 'Sample lists that can be copied',
    reply: z.array(SampleReply),
  }),
  teacher({
    method: 'post',
    path: '/samples/:place/copy',
    summary: 'Makes a copy of a sample list',
    status: 201,
    reply: ListReply,
  }),
  teacher({ method: 'get', path: '/lists/:id', summary: 'A list with its entries', reply: ListReply }),
  teacher({
    method: 'patch',
    path: '/lists/:id',
    summary: 'Saves what changed since a version; refused where the list has a newer one',
    body: SaveList,
    reply: VersionReply,
  }),
  teacher({
    method: 'get',
    path: '/lists/:id/version',
    summary: 'The version that a list has now',
    reply: VersionReply,
  }),
  teacher({
    method: 'post',
    path: '/lists/:id/duplicate',
    summary: 'Makes a copy of a list',
    status: 201,
    reply: ListReply,
  }),
  teacher({
    method: 'get',
    path: '/lists/:id/giving',
    summary: 'How a list is given to colleagues',
    reply: GivingReply,
  }),
  teacher({
    method: 'put',
    path: '/lists/:id/giving',
    summary: 'Lets colleagues take copies of a list by a link',
    body: GiveList,
    reply: GivingReply,
  }),
  teacher({
    method: 'delete',
    path: '/lists/:id/giving',
    summary: 'Lets nobody take a copy any more',
    status: 204,
  }),
  teacher({ method: 'get', path: '/copies/:copy', summary: 'What a colleague gives', reply: GivenReply }),
  teacher({
    method: 'post',
    path: '/copies/:copy',
    summary: 'Takes a copy of what a colleague gives',
    body: TakeCopy,
    status: 201,
    reply: z.object({ id: z.uuid() }),
  }),
  teacher({
    method: 'put',
    path: '/lists/:id/archived',
    summary: 'Puts a list away, or takes it back',
    body: ArchiveList,
    status: 204,
  }),
  teacher({ method: 'delete', path: '/lists/:id', summary: 'Deletes a list', status: 204 }),
  teacher({ method: 'get', path: '/lists/:id/links', summary: 'The offers of a list', reply: z.array(OfferReply) }),
  teacher({
    method: 'post',
    path: '/lists/:id/links',
    summary: 'Shares a list as a game; the same request id makes the same offer',
    body: CreateOffer,
    status: 201,
    reply: OfferReply,
  }),
  teacher({
    method: 'get',
    path: '/lists/:id/proved',
    summary: 'How hard entries have proved',
    reply: ProvedReply,
  }),
]
