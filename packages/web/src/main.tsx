import { GAME_KINDS } from '@otter/core'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, RouterProvider } from 'react-router'
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
const router = createBrowserRouter([
  {
    path: 'start',
    lazy: async () => ({ Component: (await import('./pages/start/StartPage.tsx')).StartPage }),
    errorElement: <Lost />,
  },
  {
    path: 'forgotten',
    lazy: async () => ({ Component: (await import('./pages/account/ComingBack.tsx')).ForgottenPage }),
    errorElement: <Lost />,
  },
  {
    path: 'new-password',
    lazy: async () => ({ Component: (await import('./pages/account/ComingBack.tsx')).NewPasswordPage }),
    errorElement: <Lost />,
  },
  {
    path: 'families',
    lazy: async () => ({ Component: (await import('./pages/account/FamiliesPage.tsx')).FamiliesPage }),
    errorElement: <Lost />,
  },
  {
    path: 'operator',
    lazy: async () => ({ Component: (await import('./pages/account/MailsPage.tsx')).MailsPage }),
    errorElement: <Lost />,
  },
  {
    path: 'remote',
    lazy: async () => ({ Component: (await import('./pages/wallPlay/RemotePage.tsx')).RemotePage }),
    errorElement: <Lost />,
  },
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
      {
        path: 'lists/:id/play',
        lazy: async () => ({ Component: (await import('./pages/share/SharePage.tsx')).SharePage }),
      },
      {
        path: 'lists/:id/results',
        lazy: async () => ({ Component: (await import('./pages/results/ResultsPage.tsx')).ResultsPage }),
      },
      {
        path: 'lists/:id/games/:kind/print',
        lazy: async () => ({ Component: (await import('./pages/print/PrintPage.tsx')).PrintPage }),
      },
      {
        path: 'prints/:id',
        lazy: async () => ({ Component: (await import('./pages/print/PrintedPage.tsx')).PrintedPage }),
      },
      {
        path: 'lists/:id/wall/:code',
        lazy: async () => ({ Component: (await import('./pages/wall/WallPage.tsx')).WallPage }),
      },
      {
        path: 'live/:id',
        lazy: async () => ({ Component: (await import('./pages/live/HostPage.tsx')).HostPage }),
      },
      {
        path: 'live/:id/wall',
        lazy: async () => ({ Component: (await import('./pages/live/LiveWallPage.tsx')).LiveWallPage }),
      },
      {
        path: 'wall/:id',
        lazy: async () => ({ Component: (await import('./pages/wallPlay/WallPlayPage.tsx')).WallPlayPage }),
      },
      {
        path: 'wall/:id/show',
        lazy: async () => ({ Component: (await import('./pages/wallPlay/DisplayPage.tsx')).DisplayPage }),
      },
      {
        path: 'classes',
        lazy: async () => ({ Component: (await import('./pages/classes/ClassesPage.tsx')).ClassesPage }),
      },
      {
        path: 'classes/import',
        lazy: async () => ({ Component: (await import('./pages/classes/ImportPage.tsx')).ImportPage }),
      },
      {
        path: 'classes/:id',
        lazy: async () => ({ Component: (await import('./pages/classes/ClassPage.tsx')).ClassPage }),
      },
      {
        path: 'classes/:id/report',
        lazy: async () => ({ Component: (await import('./pages/report/ClassReportPage.tsx')).ClassReportPage }),
      },
      {
        path: 'classes/:id/students/:studentId',
        lazy: async () => ({ Component: (await import('./pages/report/StudentPage.tsx')).StudentPage }),
      },
      {
        path: 'classes/:id/students/:studentId/family',
        lazy: async () => ({ Component: (await import('./pages/report/FamilyPage.tsx')).FamilyPage }),
      },
      {
        path: 'classes/:id/codes',
        lazy: async () => ({ Component: (await import('./pages/print/CodesPage.tsx')).ClassCodesPage }),
      },
      {
        path: 'copy/:code',
        lazy: async () => ({ Component: (await import('./pages/share/CopyPage.tsx')).CopyPage }),
      },
      {
        path: 'lists/:id/codes',
        lazy: async () => ({ Component: (await import('./pages/print/CodesPage.tsx')).ListCodesPage }),
      },
      {
        path: 'classes/:id/cards',
        lazy: async () => ({ Component: (await import('./pages/classes/CardsPage.tsx')).CardsPage }),
      },
      {
        path: 'names',
        lazy: async () => ({ Component: (await import('./pages/names/NamesPage.tsx')).NamesPage }),
      },
      {
        path: 'account',
        lazy: async () => ({ Component: (await import('./pages/account/AccountPage.tsx')).AccountPage }),
      },
      {
        path: 'credits',
        lazy: async () => ({ Component: (await import('./pages/credits/CreditsPage.tsx')).CreditsPage }),
      },
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
