import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { PlayPage } from './pages/play/PlayPage.tsx'
import './styles.css'
import { startTexts } from './texts/texts.ts'

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
await startTexts(['play'])
createRoot(root).render(
  <StrictMode>
    <PlayPage code={/^\/p\/([^/]+)/.exec(location.pathname)?.[1]} />
  </StrictMode>,
)
