import { PassReply } from '../live.ts'
import { OfferReply } from '../offer.ts'
import {
  ActAtWall,
  ChangeWallPlay,
  CreateWallPlay,
  PairRemote,
  RemoteCodeReply,
  RemoteReply,
  WallPlayReply,
  WallScreen,
} from '../wall.ts'
import { anyone, remote, teacher, type Route } from './route.ts'

/** Games for teams at one wall, and their remote controls. */
export const WALL_ROUTES: readonly Route[] = [
  teacher({
    method: 'post',
    path: '/lists/:id/wall',
    summary: 'Opens a list as a game for teams at one wall',
    body: CreateWallPlay,
    status: 201,
    reply: OfferReply,
  }),
  teacher({
    method: 'get',
    path: '/wall/:id',
    summary: 'The game as a screen may have it',
    query: WallScreen,
    reply: WallPlayReply,
  }),
  teacher({
    method: 'post',
    path: '/wall/:id/acts',
    summary: 'Makes a move, takes one back, or does one again',
    query: WallScreen,
    body: ActAtWall,
    reply: WallPlayReply,
  }),
  teacher({
    method: 'patch',
    path: '/wall/:id',
    summary: 'Changes the teams, or whether the play counts',
    body: ChangeWallPlay,
    status: 204,
  }),
  teacher({ method: 'post', path: '/wall/:id/pass', summary: 'A pass that opens a socket', reply: PassReply }),
  teacher({
    method: 'post',
    path: '/wall/:id/remotes',
    summary: 'A code that pairs one remote control',
    status: 201,
    reply: RemoteCodeReply,
  }),
  teacher({ method: 'delete', path: '/wall/:id/remotes', summary: 'Drops all remote controls', status: 204 }),
  anyone({
    method: 'post',
    path: '/remote',
    summary: 'Pairs a device as a remote control',
    body: PairRemote,
    status: 201,
    reply: RemoteReply,
  }),
  remote({
    method: 'get',
    path: '/remote',
    summary: 'The game that it steers, with the answers',
    reply: WallPlayReply,
  }),
  remote({
    method: 'post',
    path: '/remote/acts',
    summary: 'Makes a move, takes one back, or does one again',
    body: ActAtWall,
    reply: WallPlayReply,
  }),
  remote({ method: 'post', path: '/remote/pass', summary: 'A pass that opens a socket', reply: PassReply }),
]
