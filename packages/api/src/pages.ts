/** Addresses of pages, as the router of the pages and the server's read them: any other address is none. */

/** Pages of students, who need no account. A game in a frame (`/e/:code`) has a policy of its own. */
export const STUDENT_PAGES = ['/p/:code', '/in', '/class', '/class/:code', '/student'] as const

/** Pages for whoever comes. */
export const OPEN_PAGES = ['/start', '/forgotten', '/new-password', '/families', '/operator', '/remote'] as const

/** Pages for whoever has signed in; others are sent to the first page. */
export const SIGNED_IN_PAGES = [
  '/',
  '/lists/:id',
  '/lists/:id/games/:kind',
  '/lists/:id/play',
  '/lists/:id/results',
  '/lists/:id/games/:kind/print',
  '/lists/:id/wall/:code',
  '/lists/:id/codes',
  '/prints/:id',
  '/live/:id',
  '/live/:id/wall',
  '/wall/:id',
  '/wall/:id/show',
  '/classes',
  '/classes/import',
  '/classes/:id',
  '/classes/:id/report',
  '/classes/:id/students/:studentId',
  '/classes/:id/students/:studentId/family',
  '/classes/:id/codes',
  '/classes/:id/cards',
  '/copy/:code',
  '/names',
  '/account',
  '/credits',
] as const
