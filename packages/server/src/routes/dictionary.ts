import { Router } from 'express'
import { englishDictionary } from '../dictionary/english.ts'

/** Words by which it is told how hard one is to guess: public, and the same until the next release. */
export default function dictionaryRoutes(): Router {
  const router = Router()
  router.get('/dictionary/en', (_request, response) => {
    response.type('text/plain; charset=utf-8').set('Cache-Control', 'public, max-age=86400').send(englishDictionary())
  })
  return router
}
