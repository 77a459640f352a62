import { Picture, Sound } from '@otter/core'
import { z } from 'zod'
import {
  AskReset,
  ChangeEmail,
  ChangePassword,
  DeleteAccount,
  KeepingReply,
  MailReply,
  ResetPassword,
} from '../account.ts'
import { GiveList, GivenReply, GivingReply, TakeCopy } from '../copy.ts'
import { JobReply } from '../job.ts'
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
import {
  OfferedPicture,
  RoomReply,
  SearchPictures,
  SuggestionsReply,
  SuggestPictures,
  TakePicture,
  UploadPicture,
  UploadSound,
} from '../media.ts'
import { CreateOffer, OfferReply } from '../offer.ts'
import { ChangeSelf, PassReply } from '../live.ts'
import { AskKinds, AskThings, KindsReply, ThingsReply } from '../kinds.ts'
import { BoardReply, EnterBoard, JoinOffer, PlayAgain, PlayReply, SendMove } from '../play.ts'
import { ChangeTeacher, SessionReply, SignIn, SignUp, TeacherReply } from '../session.ts'
import { anyone, operator, student, teacher, type Route } from './route.ts'
import { CLASS_ROUTES } from './classRoutes.ts'
import { LIVE_ROUTES } from './liveRoutes.ts'
import { OFFER_ROUTES } from './offerRoutes.ts'
import { REPORT_ROUTES } from './reportRoutes.ts'
import { PRINT_ROUTES } from './printRoutes.ts'
import { ROSTER_ROUTES } from './rosterRoutes.ts'
import { WALL_ROUTES } from './wallRoutes.ts'

/** Every route there is. */
export const ROUTES: readonly Route[] = [
  anyone({ method: 'get', path: '/session', summary: 'Who is signed in', reply: SessionReply }),
  anyone({ method: 'post', path: '/session', summary: 'Signs in', body: SignIn, reply: TeacherReply }),
  anyone({
    method: 'post',
    path: '/session/sample',
    summary: 'Signs in as the teacher of the sample data',
    reply: TeacherReply,
  }),
  teacher({
    method: 'patch',
    path: '/session',
    summary: 'Changes what a teacher has chosen for all screens',
    body: ChangeTeacher,
    status: 204,
  }),
  anyone({ method: 'delete', path: '/session', summary: 'Signs out', status: 204 }),
  anyone({
    method: 'post',
    path: '/teachers',
    summary: 'Makes an account and signs in',
    body: SignUp,
    status: 201,
    reply: TeacherReply,
  }),

  teacher({
    method: 'put',
    path: '/account/email',
    summary: 'Gives an account another e-mail address',
    body: ChangeEmail,
    status: 204,
  }),
  teacher({
    method: 'put',
    path: '/account/password',
    summary: 'Gives an account another password, and ends its other sessions',
    body: ChangePassword,
    status: 204,
  }),
  teacher({
    method: 'delete',
    path: '/account/sessions',
    summary: 'Signs a teacher out on all other devices',
    status: 204,
  }),
  teacher({ method: 'get', path: '/account/keeping', summary: 'For how long results are kept', reply: KeepingReply }),
  teacher({
    method: 'get',
    path: '/account/archive',
    summary: 'All that a teacher has, as a zip archive',
    reply: 'application/zip',
  }),
  teacher({
    method: 'delete',
    path: '/account',
    summary: 'Deletes an account with all that is in it',
    body: DeleteAccount,
    status: 204,
  }),
  anyone({
    method: 'post',
    path: '/password-resets',
    summary: 'Asks for a mail by which a forgotten password is replaced; tells nobody whether there is such an account',
    body: AskReset,
    status: 204,
  }),
  anyone({
    method: 'put',
    path: '/password-resets',
    summary: 'Replaces a forgotten password, and signs in',
    body: ResetPassword,
    reply: TeacherReply,
  }),
  operator({
    method: 'get',
    path: '/operator/mails',
    summary: 'Mails that were written, for whoever runs the server',
    reply: z.array(MailReply),
  }),

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
  ...PRINT_ROUTES,

  ...OFFER_ROUTES,
  ...REPORT_ROUTES,

  ...LIVE_ROUTES,

  teacher({
    method: 'get',
    path: '/lists/:id/proved',
    summary: 'How hard entries have proved',
    reply: ProvedReply,
  }),
  ...WALL_ROUTES,
  ...ROSTER_ROUTES,
  ...CLASS_ROUTES,

  teacher({ method: 'get', path: '/jobs/:id', summary: 'How long work stands', reply: JobReply }),
  teacher({ method: 'get', path: '/jobs/:id/file', summary: 'What it made', reply: 'application/pdf' }),
  teacher({ method: 'delete', path: '/jobs/:id', summary: 'Stops it', status: 204 }),

  teacher({
    method: 'post',
    path: '/media/pictures',
    summary: 'Keeps a picture, drawn anew',
    query: UploadPicture,
    body: 'image/*',
    status: 201,
    reply: Picture,
  }),
  teacher({
    method: 'post',
    path: '/media/sounds',
    summary: 'Keeps a sound',
    query: UploadSound,
    body: 'audio/*',
    status: 201,
    reply: Sound,
  }),
  teacher({
    method: 'post',
    path: '/media/gallery',
    summary: 'Takes a picture out of the gallery',
    body: TakePicture,
    status: 201,
    reply: Picture,
  }),
  teacher({ method: 'get', path: '/media', summary: 'Room that pictures and sounds take', reply: RoomReply }),
  teacher({
    method: 'post',
    path: '/media/free',
    summary: 'Deletes pictures and sounds that nothing shows',
    reply: RoomReply,
  }),
  anyone({ method: 'get', path: '/media/:id', summary: 'A picture or a sound', reply: 'application/octet-stream' }),
  anyone({ method: 'get', path: '/gallery/:set/:file', summary: 'A picture of the gallery', reply: 'image/svg+xml' }),
  teacher({
    method: 'get',
    path: '/gallery',
    summary: 'Pictures for a word',
    query: SearchPictures,
    reply: z.array(OfferedPicture),
  }),
  teacher({
    method: 'post',
    path: '/gallery/suggestions',
    summary: 'Pictures for many words',
    body: SuggestPictures,
    reply: SuggestionsReply,
  }),

  anyone({ method: 'get', path: '/play/:code', summary: 'A game, and the play that goes on', reply: PlayReply }),
  anyone({
    method: 'post',
    path: '/play/:code/join',
    summary: 'Begins to play under a name',
    body: JoinOffer,
    status: 201,
    reply: PlayReply,
  }),
  student({
    method: 'post',
    path: '/play/:code/moves',
    summary: 'Makes a move; sent twice, it counts once',
    body: SendMove,
    reply: PlayReply,
  }),
  student({
    method: 'post',
    path: '/play/:code/again',
    summary: 'Begins another attempt',
    body: PlayAgain,
    reply: PlayReply,
  }),
  student({
    method: 'patch',
    path: '/play/:code/me',
    summary: 'Changes how the player of a live session shows',
    body: ChangeSelf,
    reply: PlayReply,
  }),
  student({ method: 'post', path: '/play/:code/pass', summary: 'A pass that opens a socket', reply: PassReply }),
  student({ method: 'post', path: '/play/:code/here', summary: 'Says that the page is open', status: 204 }),
  student({ method: 'get', path: '/play/:code/board', summary: 'A link’s board, where it has one', reply: BoardReply }),
  student({
    method: 'put',
    path: '/play/:code/board',
    summary: 'Enters the player’s name on the board, or takes it off',
    body: EnterBoard,
    reply: BoardReply,
  }),
  anyone({ method: 'post', path: '/play/:code/leave', summary: 'Forgets the player on this device', status: 204 }),
  teacher({
    method: 'post',
    path: '/dictionary/kinds',
    summary: 'What English words are kinds of',
    body: AskKinds,
    reply: KindsReply,
  }),
  teacher({
    method: 'post',
    path: '/dictionary/things',
    summary: 'What is known of things by their English names',
    body: AskThings,
    reply: ThingsReply,
  }),
  anyone({
    method: 'get',
    path: '/dictionary/words/:name',
    summary: 'Words by which answers are judged',
    reply: 'application/octet-stream',
  }),
  anyone({ method: 'get', path: '/dictionary/:language', summary: 'Words that games look up', reply: 'text/plain' }),
]

/** Returns the route that a request goes to; undefined where there is none. */
export function routeOf(method: string, path: string): Route | undefined {
  const parts = path.split('?')[0]!.split('/')
  return ROUTES.find((route) => {
    const pattern = route.path.split('/')
    return (
      route.method === method.toLowerCase() &&
      pattern.length === parts.length &&
      pattern.every((part, index) => part.startsWith(':') || part === parts[index])
    )
  })
}
