import { ChangeSelf, PassReply } from '../live.ts'
import { BoardReply, EnterBoard, JoinOffer, PlayAgain, PlayReply, SendMove } from '../play.ts'
import { anyone, student, type Route } from './route.ts'

/** Routes of those who play. */
export const PLAY_ROUTES: readonly Route[] = [
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
]
