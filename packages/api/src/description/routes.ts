import { JobReply } from '../job.ts'
import { teacher, type Route } from './route.ts'
import { CLASS_ROUTES } from './classRoutes.ts'
import { LIVE_ROUTES } from './liveRoutes.ts'
import { OFFER_ROUTES } from './offerRoutes.ts'
import { REPORT_ROUTES } from './reportRoutes.ts'
import { PRINT_ROUTES } from './printRoutes.ts'
import { ROSTER_ROUTES } from './rosterRoutes.ts'
import { WALL_ROUTES } from './wallRoutes.ts'
import { ACCOUNT_ROUTES } from './accountRoutes.ts'
import { DICTIONARY_ROUTES } from './dictionaryRoutes.ts'
import { LIST_ROUTES } from './listRoutes.ts'
import { MEDIA_ROUTES } from './mediaRoutes.ts'
import { PLAY_ROUTES } from './playRoutes.ts'

/** Every route there is. */
export const ROUTES: readonly Route[] = [
  ...ACCOUNT_ROUTES,
  ...LIST_ROUTES,
  ...PRINT_ROUTES,
  ...OFFER_ROUTES,
  ...REPORT_ROUTES,
  ...LIVE_ROUTES,
  ...WALL_ROUTES,
  ...ROSTER_ROUTES,
  ...CLASS_ROUTES,
  teacher({ method: 'get', path: '/jobs/:id', summary: 'How long work stands', reply: JobReply }),
  teacher({ method: 'get', path: '/jobs/:id/file', summary: 'What it made', reply: 'application/pdf' }),
  teacher({ method: 'delete', path: '/jobs/:id', summary: 'Stops it', status: 204 }),
  ...MEDIA_ROUTES,
  ...PLAY_ROUTES,
  ...DICTIONARY_ROUTES,
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
