import type { LiveFacts } from '@otter/api'
import { useShortcuts } from '../../ui/useShortcuts.ts'

/** The keys that go on: Enter, and what a presenter's remote sends. */
const FORWARD = new Set(['Enter', 'PageDown'])

/** Has the keys go on to what comes next, where all are asked the same and nothing else has the key. */
export function useForward({ phase, round }: LiveFacts, next: () => void): void {
  useShortcuts((event) => {
    if (!FORWARD.has(event.key) || event.repeat || phase !== 'running' || !round) return
    if (event.target instanceof Element && event.target.closest('button, a, dialog')) return
    event.preventDefault()
    next()
  })
}
