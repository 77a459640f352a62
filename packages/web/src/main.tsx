import type { OPEN_PAGES, SIGNED_IN_PAGES } from '@otter/api'
import { GAME_KINDS } from '@otter/core'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, Suspense, type ComponentType } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, RouterProvider, type RouteObject } from 'react-router'
import { askAhead } from './api/client.ts'
import { queryClient } from './api/queryClient.ts'
import { fetchGame } from './pages/list/listParts.ts'
import { ListPage } from './pages/list/ListPage.tsx'
import { ListsPage } from './pages/lists/ListsPage.tsx'
import { SignedIn } from './pages/sign-in/SignedIn.tsx'
import { Lost } from './pages/Lost.tsx'
import { Boundary } from './ui/Boundary.tsx'
import { fetchAhead } from './ui/fetchAhead.ts'
import { keepFocus } from './ui/keepFocus.ts'
import './styles.css'
import { TEACHER_FILES } from './texts/teacherFiles.ts'
import { fetchTexts } from './texts/fetchTexts.ts'
import { startTexts } from './texts/texts.ts'

/** Each page is fetched when it is first gone to: a teacher who types words needs no charts. */
type FetchPage = () => Promise<ComponentType>

const OPEN: Record<(typeof OPEN_PAGES)[number], FetchPage> = {
  '/start': async () => (await import('./pages/start/StartPage.tsx')).StartPage,
  '/forgotten': async () => (await import('./pages/account/ComingBack.tsx')).ForgottenPage,
  '/new-password': async () => (await import('./pages/account/ComingBack.tsx')).NewPasswordPage,
  '/families': async () => (await import('./pages/account/FamiliesPage.tsx')).FamiliesPage,
  '/operator': async () => (await import('./pages/account/MailsPage.tsx')).MailsPage,
  '/remote': async () => (await import('./pages/wallPlay/RemotePage.tsx')).RemotePage,
}

/** All but those of lists, which are there at once. */
const SIGNED_IN: Record<
  Exclude<(typeof SIGNED_IN_PAGES)[number], '/' | '/lists/:id' | '/lists/:id/games/:kind'>,
  FetchPage
> = {
  '/lists/:id/play': async () => (await import('./pages/share/SharePage.tsx')).SharePage,
  '/lists/:id/results': async () => (await import('./pages/results/ResultsPage.tsx')).ResultsPage,
  '/lists/:id/games/:kind/print': async () => (await import('./pages/print/PrintPage.tsx')).PrintPage,
  '/prints/:id': async () => (await import('./pages/print/PrintedPage.tsx')).PrintedPage,
  '/lists/:id/wall/:code': async () => (await import('./pages/wall/WallPage.tsx')).WallPage,
  '/live/:id': async () => (await import('./pages/live/HostPage.tsx')).HostPage,
  '/live/:id/wall': async () => (await import('./pages/live/LiveWallPage.tsx')).LiveWallPage,
  '/wall/:id': async () => (await import('./pages/wallPlay/WallPlayPage.tsx')).WallPlayPage,
  '/wall/:id/show': async () => (await import('./pages/wallPlay/DisplayPage.tsx')).DisplayPage,
  '/classes': async () => (await import('./pages/classes/ClassesPage.tsx')).ClassesPage,
  '/classes/import': async () => (await import('./pages/classes/ImportPage.tsx')).ImportPage,
  '/classes/:id': async () => (await import('./pages/classes/ClassPage.tsx')).ClassPage,
  '/classes/:id/report': async () => (await import('./pages/report/ClassReportPage.tsx')).ClassReportPage,
  '/classes/:id/students/:studentId': async () => (await import('./pages/report/StudentPage.tsx')).StudentPage,
  '/classes/:id/students/:studentId/family': async () => (await import('./pages/report/FamilyPage.tsx')).FamilyPage,
  '/classes/:id/codes': async () => (await import('./pages/print/CodesPage.tsx')).ClassCodesPage,
  '/copy/:code': async () => (await import('./pages/share/CopyPage.tsx')).CopyPage,
  '/lists/:id/codes': async () => (await import('./pages/print/CodesPage.tsx')).ListCodesPage,
  '/classes/:id/cards': async () => (await import('./pages/classes/CardsPage.tsx')).CardsPage,
  '/names': async () => (await import('./pages/names/NamesPage.tsx')).NamesPage,
  '/account': async () => (await import('./pages/account/AccountPage.tsx')).AccountPage,
  '/credits': async () => (await import('./pages/credits/CreditsPage.tsx')).CreditsPage,
}

const routesOf = (pages: Readonly<Record<string, FetchPage>>): RouteObject[] =>
  Object.entries(pages).map(([path, fetchPage]) => ({ path, lazy: async () => ({ Component: await fetchPage() }) }))

const router = createBrowserRouter([
  ...routesOf(OPEN).map((route) => ({ ...route, errorElement: <Lost /> })),
  {
    Component: SignedIn,
    errorElement: <Lost />,
    children: [
      { index: true, Component: ListsPage },
      {
        path: 'lists/:id',
        Component: ListPage,
        children: [
          { index: true, element: <></> },
          { path: 'games/:kind', element: <></> },
        ],
      },
      ...routesOf(SIGNED_IN),
      { path: '*', Component: Lost },
    ],
  },
])
const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
keepFocus()
// On a slow line each round costs: what the page at this address needs first is asked for at once.
askAhead('/session')
const [, list, game] = /^\/lists\/([\da-f-]{36})(\/games\/\w+)?\/?$/u.exec(location.pathname) ?? []
if (list !== undefined) askAhead(`/lists/${list}`)
if (game !== undefined) fetchAhead(fetchGame())
// A list's page says of every game whether it can be made, beside the words that are there first.
const GAMES = ['share', ...GAME_KINDS]
await startTexts(TEACHER_FILES, [
  ...['common', 'problems', list === undefined ? 'lists' : 'list'],
  ...(game === undefined ? [] : GAMES),
])
if (list !== undefined) fetchAhead(fetchTexts(...GAMES))
createRoot(root).render(
  <StrictMode>
    <Boundary fallback={<Lost />}>
      <QueryClientProvider client={queryClient}>
        <Suspense>
          <RouterProvider router={router} />
        </Suspense>
      </QueryClientProvider>
    </Boundary>
  </StrictMode>,
)
