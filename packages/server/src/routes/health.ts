import { Router } from 'express'
import { VERSION } from '../db/migrate.ts'
import { databaseAnswers } from '../db/queries/health.ts'
import type { ScopeSource } from '../db/scope.ts'

/** How long one look counts, so that many who ask cost no more than one; in milliseconds. */
const FRESH = 1000
/** A database that is silent for so long does not answer; in milliseconds. */
const PATIENCE = 2000

/** Whether this server can serve: for a proxy or a watcher, which need no account. */
export default function healthRoutes({ database }: ScopeSource): Router {
  const router = Router()
  let last: { at: number; isWell: Promise<boolean> } | undefined
  router.get('/health', async (_request, response) => {
    if (last === undefined || Date.now() - last.at > FRESH)
      last = { at: Date.now(), isWell: databaseAnswers(database, PATIENCE) }
    const isWell = await last.isWell
    response
      .status(isWell ? 200 : 503)
      .set('Cache-Control', 'no-store')
      .json({ state: isWell ? 'well' : 'no-database', version: VERSION })
  })
  return router
}
