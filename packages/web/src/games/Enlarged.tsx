import { ZoomIn, ZoomOut } from 'lucide-react'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { playTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { wallShape } from './wallShape.ts'

/** Cells smaller than this are hard to hit; enlarged ones are this wide. In pixels. */
const SMALL = 34
const LARGE = 46

interface EnlargedProps {
  cols: number
  rows: number
  children: (isLarge: boolean) => ReactNode
}

/**
 * A grid as wide as the screen lets it be; where that leaves its cells small, it can be enlarged, and then scrolls. On
 * the wall it is as large as its place lets it be.
 */
export function Enlarged({ cols, rows, children }: EnlargedProps) {
  const t = useTexts(playTexts)
  const frame = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(Infinity)
  const [wanted, setWanted] = useState(false)
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width))
    observer.observe(frame.current!)
    return () => observer.disconnect()
  }, [])
  const isSmall = width / cols < SMALL
  const isLarge = isSmall && wanted
  return (
    <div ref={frame} className="wall-board flex w-full flex-col gap-2" style={wallShape(cols, rows)}>
      {isSmall && (
        <button
          type="button"
          className="btn btn-ghost off-wall h-11 self-end px-2 font-normal"
          aria-pressed={isLarge}
          onClick={() => setWanted(!wanted)}
        >
          {isLarge ? <ZoomOut size={20} aria-hidden="true" /> : <ZoomIn size={20} aria-hidden="true" />}
          {t(isLarge ? 'smaller' : 'larger')}
        </button>
      )}
      <div className={isLarge ? 'max-h-[70dvh] overflow-auto' : 'flex justify-center'}>
        <div className="wall-fits w-full" style={isLarge ? { width: cols * LARGE } : undefined}>
          {children(isLarge)}
        </div>
      </div>
    </div>
  )
}
