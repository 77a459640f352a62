import { X, type LucideIcon } from 'lucide-react'
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react'
import { commonTexts } from '../texts/namespaces.ts'
import { Rich } from '../texts/Rich.tsx'
import { useTexts } from '../texts/texts.ts'
import { Dialog } from '../ui/Dialog.tsx'

/** The screen on which the smallest text of a game is as large as students have it; on larger ones all grows. */
const SCREEN = { width: 1230, height: 690 }
const ARROWS: Record<string, string> = { ArrowLeft: '←', ArrowRight: '→' }

/** Something the teacher can do at the wall, by a button or its key. */
export interface WallAction {
  /** As events of the keyboard name it. */
  key: string
  name: string
  Icon: LucideIcon
  act: () => void
  isOff?: boolean
  /** Whether it is what is done most: it has the focus at first. */
  isMain?: boolean
}

interface WallProps {
  title: string
  /** Which of how many is shown; absent where a game is shown as a whole. */
  place?: { number: number; of: number }
  actions?: readonly WallAction[]
  onClose: () => void
  children: ReactNode
}

/** A game on the wall, with the whole screen to itself: Escape, or its button, leaves it. */
export function Wall({ title, place, actions = [], onClose, children }: WallProps) {
  const common = useTexts(commonTexts)
  const scale = useScreenScale()
  const leave = useRef(onClose)
  useEffect(() => {
    leave.current = onClose
  })
  useEffect(() => {
    let isFull = false
    let isGone = false
    const leaveFull = (): void => {
      if (document.fullscreenElement) void document.exitFullscreen()
    }
    // A wall without full screen is still a wall: browsers may refuse it, and old tablets have none.
    if (document.fullscreenEnabled)
      document.documentElement.requestFullscreen().then(
        () => {
          isFull = true
          if (isGone) leaveFull()
        },
        () => undefined,
      )
    // The browser keeps the Escape that leaves full screen to itself.
    const changed = (): void => {
      if (isFull && !document.fullscreenElement) leave.current()
    }
    document.addEventListener('fullscreenchange', changed)
    return () => {
      isGone = true
      document.removeEventListener('fullscreenchange', changed)
      leaveFull()
    }
  }, [])
  const onKeyDown = (event: KeyboardEvent): void => {
    const action = actions.find(({ key }) => key === event.key.toLowerCase() || key === event.key)
    // Keys with Ctrl are the browser's; Space presses the button that has the focus.
    if (
      !action ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      (event.key === ' ' && event.target instanceof HTMLButtonElement)
    )
      return
    event.preventDefault()
    if (!action.isOff) action.act()
  }
  return (
    <Dialog
      title={title}
      hidesTitle
      layout="h-dvh max-h-none w-screen max-w-none overflow-hidden rounded-none p-0"
      box={{ onKeyDown }}
      onClose={onClose}
    >
      <div className="on-wall student flex flex-col gap-3 p-4" style={{ zoom: scale }}>
        <header className="flex items-center justify-between gap-3">
          {place ? (
            <p className="text-2xl" role="status">
              <Rich texts={commonTexts} id="wall.place" values={{ ...place }} marks={{ strong: <strong /> }} />
            </p>
          ) : (
            <h2 className="text-2xl">{title}</h2>
          )}
          <button type="button" className="btn btn-ghost h-11 w-11 p-0" aria-label={common('close')} onClick={onClose}>
            <X size={24} aria-hidden="true" />
          </button>
        </header>
        {children}
        {actions.length > 0 && (
          <footer className="flex flex-wrap items-center justify-center gap-2">
            {actions.map(({ key, name, Icon, act, isOff = false, isMain = false }) => (
              <button
                key={key}
                type="button"
                className={`btn h-12 ${isMain ? 'btn-primary' : ''}`}
                disabled={isOff}
                data-first={isMain || undefined}
                onClick={act}
              >
                <Icon size={20} aria-hidden="true" className={key.startsWith('Arrow') ? 'rtl:rotate-180' : ''} />
                {name}
                <kbd className="kbd" aria-hidden="true">
                  {key === ' ' ? common('wall.space') : (ARROWS[key] ?? key)}
                </kbd>
              </button>
            ))}
          </footer>
        )}
      </div>
    </Dialog>
  )
}

/** Returns by how much all on the wall is enlarged, for the size of the screen. */
export function useScreenScale(): number {
  const scaleOf = (): number => Math.max(1, Math.min(innerWidth / SCREEN.width, innerHeight / SCREEN.height))
  const [scale, setScale] = useState(scaleOf)
  useEffect(() => {
    const resized = (): void => setScale(scaleOf())
    addEventListener('resize', resized)
    return () => removeEventListener('resize', resized)
  }, [])
  return scale
}
