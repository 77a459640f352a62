import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { PlayFailed } from './pages/play/PlayFailed.tsx'
import { PlayPage } from './pages/play/PlayPage.tsx'
import { Boundary } from './ui/Boundary.tsx'
import { keepFocus } from './ui/keepFocus.ts'
import './styles.css'
import { STUDENT_FILES } from './texts/studentFiles.ts'
import { startTexts } from './texts/texts.ts'

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
keepFocus()
await startTexts(STUDENT_FILES, ['play'])
createRoot(root).render(
  <StrictMode>
    <Boundary fallback={<PlayFailed />}>
      <PlayPage code={/^\/p\/([^/]+)/.exec(location.pathname)?.[1]} />
    </Boundary>
  </StrictMode>,
)
