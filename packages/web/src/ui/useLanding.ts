import { useEffect, useRef, type RefObject } from 'react'
import { useKeyRights } from './KeyScope.tsx'

/** Room that must be below the top of what is new, in pixels. */
const ROOM = 120

/**
 * Returns a ref to what is new on the screen: whenever the key changes, and as it is drawn first, the focus goes there,
 * and its top comes into sight.
 */
export function useLanding<Target extends HTMLElement>(key: unknown): RefObject<Target | null> {
  const target = useRef<Target>(null)
  const rights = useKeyRights()
  useEffect(() => {
    if (target.current && rights.mayFocus()) land(target.current)
  }, [key, rights])
  return target
}

/** Puts the focus on an element, and brings its top into sight. */
export function land(element: HTMLElement): void {
  element.focus({ preventScroll: true })
  const { top } = element.getBoundingClientRect()
  if (top < 0 || top > innerHeight - ROOM) element.scrollIntoView({ block: 'start' })
}
