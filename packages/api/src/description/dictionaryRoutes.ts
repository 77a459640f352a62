import { AskKinds, AskThings, KindsReply, ThingsReply } from '../kinds.ts'
import { anyone, teacher, type Route } from './route.ts'

/** Routes of what is known of words. */
export const DICTIONARY_ROUTES: readonly Route[] = [
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
