import { createContext, useContext, useMemo, useRef, type ReactNode, type RefObject } from 'react'

/** The part of the page that a screen has to itself; null where it has the whole page. */
const Scope = createContext<RefObject<HTMLElement | null> | null>(null)

/** Holds a screen that shares its page: it hears keys, and takes the focus, only while the focus is in it. */
export function KeyScope({ className, children }: { className?: string; children: ReactNode }) {
  const scope = useRef<HTMLDivElement>(null)
  return (
    <Scope value={scope}>
      <div ref={scope} className={className}>
        {children}
      </div>
    </Scope>
  )
}

/** What a screen may do with the keys and the focus of its page. */
export interface KeyRights {
  /** Whether a key that goes to an element is this screen's. */
  hears(target: EventTarget | null): boolean
  /** Whether this screen may move the focus: not out of another part of the page. */
  mayFocus(): boolean
}

/** Returns what the screen may do where it stands: on a page of its own everything. */
export function useKeyRights(): KeyRights {
  const scope = useContext(Scope)
  return useMemo(
    () => ({
      hears: (target) => scope === null || (target instanceof Node && (scope.current?.contains(target) ?? false)),
      mayFocus: () => scope === null || (scope.current?.contains(document.activeElement) ?? false),
    }),
    [scope],
  )
}
