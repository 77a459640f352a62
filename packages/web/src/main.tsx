import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { queryClient } from './api/queries.ts'
import { AccountPage } from './pages/account/AccountPage.tsx'
import { ForgottenPage, NewPasswordPage } from './pages/account/ComingBack.tsx'
import { MailsPage } from './pages/account/MailsPage.tsx'
import { CreditsPage } from './pages/credits/CreditsPage.tsx'
import { ListPage } from './pages/list/ListPage.tsx'
import { ListsPage } from './pages/lists/ListsPage.tsx'
import { PrintPage } from './pages/print/PrintPage.tsx'
import { ResultsPage } from './pages/results/ResultsPage.tsx'
import { SharePage } from './pages/share/SharePage.tsx'
import { SignedIn } from './pages/sign-in/SignedIn.tsx'
import { StartPage } from './pages/start/StartPage.tsx'
import { WallPage } from './pages/wall/WallPage.tsx'
import { Lost } from './pages/Lost.tsx'
import { Boundary } from './ui/Boundary.tsx'
import { keepFocus } from './ui/keepFocus.ts'
import './styles.css'
import { startTexts } from './texts/texts.ts'

const router = createBrowserRouter([
  { path: 'start', Component: StartPage, errorElement: <Lost /> },
  { path: 'forgotten', Component: ForgottenPage, errorElement: <Lost /> },
  { path: 'new-password', Component: NewPasswordPage, errorElement: <Lost /> },
  { path: 'operator', Component: MailsPage, errorElement: <Lost /> },
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
      { path: 'lists/:id/play', Component: SharePage },
      { path: 'lists/:id/results', Component: ResultsPage },
      { path: 'lists/:id/games/:kind/print', Component: PrintPage },
      { path: 'lists/:id/wall/:code', Component: WallPage },
      { path: 'account', Component: AccountPage },
      { path: 'credits', Component: CreditsPage },
      { path: '*', Component: Lost },
    ],
  },
])
const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
keepFocus()
await startTexts(['common', 'problems'])
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
