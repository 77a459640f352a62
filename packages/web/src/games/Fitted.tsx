import { useLayoutEffect, useRef, type ReactNode } from 'react'

/** How much a game is enlarged at most, and by which steps less is tried. */
const LARGEST = 2.2
const STEP = 0.06

/** What stands on the wall, as large as fits without scrolling. */
export function Fitted({ className = '', children }: { className?: string; children: ReactNode }) {
  const frame = useRef<HTMLDivElement>(null)
  const body = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    const [outer, inner] = [frame.current!, body.current!]
    const fit = (): void => {
      for (let zoom = LARGEST; ; zoom -= STEP) {
        inner.style.zoom = String(Math.max(1, zoom))
        if (zoom <= 1 || !spills(outer)) return
      }
    }
    fit()
    const resized = new ResizeObserver(fit)
    resized.observe(outer)
    // A game that is fetched only now, a letter that is typed, a face that comes late: each may need more room.
    const changed = new MutationObserver(fit)
    changed.observe(inner, { childList: true, characterData: true, subtree: true })
    document.fonts.addEventListener('loadingdone', fit)
    return () => {
      resized.disconnect()
      changed.disconnect()
      document.fonts.removeEventListener('loadingdone', fit)
    }
  }, [])
  return (
    <div ref={frame} tabIndex={-1} data-first className="min-h-0 flex-1 overflow-auto outline-none">
      <div ref={body} className={`flex min-h-full flex-col [&:has(.wall-split)]:h-full ${className}`}>
        {children}
      </div>
    </div>
  )
}

/** Whether something on the wall needs more room than it has. */
function spills(frame: HTMLElement): boolean {
  return [frame, ...frame.querySelectorAll<HTMLElement>('.wall-list, [data-fits]')].some(
    ({ scrollWidth, clientWidth, scrollHeight, clientHeight }) =>
      scrollWidth > clientWidth + 1 || scrollHeight > clientHeight + 1,
  )
}
