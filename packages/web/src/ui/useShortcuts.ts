import { useLayoutEffect, useRef } from 'react'
import { useKeyRights } from './KeyScope.tsx'

/** Whether what is typed goes into a field. */
function isField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement
  )
}

/**
 * Listens to the keys of the whole page, but those that go into a field or come with Alt; a screen that shares its page
 * hears those that go to it alone. They are heard before the screen is painted: the quick type as soon as they see.
 */
export function useShortcuts(onKey: (event: KeyboardEvent) => void): void {
  const latest = useRef(onKey)
  const rights = useKeyRights()
  useLayoutEffect(() => {
    latest.current = onKey
  })
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (!event.altKey && !isField(event.target) && rights.hears(event.target)) latest.current(event)
    }
    addEventListener('keydown', listen)
    return () => removeEventListener('keydown', listen)
  }, [rights])
}

/** Whether a key is pressed alone, without Ctrl or Cmd. */
export function isPlain({ ctrlKey, metaKey }: KeyboardEvent): boolean {
  return !ctrlKey && !metaKey
}
