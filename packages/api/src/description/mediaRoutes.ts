import { Picture, Sound } from '@otter/core'
import { z } from 'zod'
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
import { anyone, teacher, type Route } from './route.ts'

/** Routes of pictures and sounds. */
export const MEDIA_ROUTES: readonly Route[] = [
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
]
