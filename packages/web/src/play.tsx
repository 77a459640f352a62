import { lazy, StrictMode, Suspense, type ReactNode } from 'react'
import { createRoot } from 'react-dom/client'
import { PlayFailed } from './pages/play/PlayFailed.tsx'
import { PlayPage } from './pages/play/PlayPage.tsx'
import { Boundary } from './ui/Boundary.tsx'
import { keepFocus } from './ui/keepFocus.ts'
import './styles.css'
import { STUDENT_FILES } from './texts/studentFiles.ts'
import { startTexts } from './texts/texts.ts'

/** Fetched where students of a class come in, and see what there is to do. */
const ClassPage = lazy(async () => ({ default: (await import('./pages/class/ClassPage.tsx')).ClassPage }))
const HomePage = lazy(async () => ({ default: (await import('./pages/class/HomePage.tsx')).HomePage }))

function pageAt(path: string): ReactNode {
  const [, place, code] = /^\/(p|e|class|student)(?:\/([^/]+))?/u.exec(path) ?? []
  if (place === 'student') return <HomePage />
  return place === 'class' ? <ClassPage code={code} /> : <PlayPage code={code} />
}

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
keepFocus()
await startTexts(STUDENT_FILES, ['play'])
createRoot(root).render(
  <StrictMode>
    <Boundary fallback={<PlayFailed />}>
      <Suspense>{pageAt(location.pathname)}</Suspense>
    </Boundary>
  </StrictMode>,
)
