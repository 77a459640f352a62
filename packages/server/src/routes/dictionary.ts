import { AskKinds, AskThings, type KindsReply, type ThingsReply } from '@otter/api'
import { GAME_KINDS, gameOf } from '@otter/core'
import { Router } from 'express'
import { englishDictionary } from '../dictionary/english.ts'
import { kindsOf } from '../dictionary/kinds.ts'
import { wordFile } from '../dictionary/words.ts'
import { notFound } from '../problem.ts'
import { teacherOf, type Context } from './context.ts'

/** Texts of the dictionaries there are, by language. */
const TEXTS: Partial<Record<string, () => string>> = { en: englishDictionary }
const WANTED = new Set(GAME_KINDS.flatMap((kind) => gameOf(kind).dictionaries))

/** Words that games look up: public, and the same until the next release. */
export default function dictionaryRoutes(): Router {
  const router = Router()
  router.get('/dictionary/words/:name', (request, response) => {
    const file = wordFile(request.params.name)
    if (file === undefined) throw notFound()
    response.sendFile(file, { maxAge: '1d', headers: { 'Content-Type': 'application/octet-stream' } })
  })
  router.get('/dictionary/:language', (request, response) => {
    const { language } = request.params
    const text = WANTED.has(language) ? TEXTS[language]?.() : undefined
    if (text === undefined) throw notFound()
    response.type('text/plain; charset=utf-8').set('Cache-Control', 'public, max-age=86400').send(text)
  })
  return router
}

/** What words are kinds of and what things are, for teachers alone: each name is looked up in large files. */
export function kindRoutes({ workers }: Pick<Context, 'workers'>): Router {
  const router = Router()
  router.post('/dictionary/kinds', (request, response) => {
    teacherOf(request)
    const { words } = AskKinds.parse(request.body)
    const known = words.map((word) => [word, kindsOf(word)] as const)
    const reply: KindsReply = { kinds: Object.fromEntries(known.filter(([, kinds]) => kinds.length > 0)) }
    response.json(reply)
  })
  router.post('/dictionary/things', async (request, response) => {
    const things = await workers.things(AskThings.parse(request.body), teacherOf(request))
    response.json({ things: Object.fromEntries(things) } satisfies ThingsReply)
  })
  return router
}
