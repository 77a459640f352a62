import type { MatchingView } from '@otter/core/games/matching'
import { useLayoutEffect, useState, type RefObject } from 'react'

interface LinesProps {
  board: RefObject<HTMLDivElement | null>
  joins: (number | null)[]
  marks: (MatchingView['marks'][number] | 'solution')[]
  /** The end of a line that is being drawn. */
  drag: { left: number; x: number; y: number } | null
}

interface Ends {
  /** Size of the board where it is seen: a page that is enlarged has other lengths of its own. */
  width: number
  height: number
  lefts: { x: number; y: number }[]
  rights: { x: number; y: number }[]
}

const COLOURS = {
  right: 'var(--color-success)',
  later: 'var(--color-success)',
  wrong: 'var(--color-error)',
  solution: 'var(--color-neutral)',
  open: 'var(--color-secondary)',
}

/** The lines between two columns, wherever their rows stand. */
export function Lines({ board, joins, marks, drag }: LinesProps) {
  const [ends, setEnds] = useState<Ends>({ width: 1, height: 1, lefts: [], rights: [] })
  useLayoutEffect(() => {
    const box = board.current
    if (!box) return
    const measure = (): void => {
      const origin = box.getBoundingClientRect()
      const facing = (name: 'left' | 'right') =>
        [...box.querySelectorAll<HTMLElement>(`[data-${name}]`)].map((element) => {
          const box = element.getBoundingClientRect()
          // The edge that faces the middle, whichever way the page is read.
          const isBefore = box.left + box.width / 2 < origin.left + origin.width / 2
          return { x: (isBefore ? box.right : box.left) - origin.left, y: box.top + box.height / 2 - origin.top }
        })
      const { width, height } = origin
      const next = { width, height, lefts: facing('left'), rights: facing('right') }
      setEnds((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next))
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(box)
    return () => observer.disconnect()
  })
  return (
    <svg
      className="pointer-events-none absolute inset-0 size-full"
      viewBox={`0 0 ${ends.width} ${ends.height}`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {joins.map((other, row) => {
        if (other === null || !(row in ends.lefts) || !(other in ends.rights)) return null
        const mark = marks[row]
        return (
          <line
            key={row}
            x1={ends.lefts[row]!.x}
            y1={ends.lefts[row]!.y}
            x2={ends.rights[other]!.x}
            y2={ends.rights[other]!.y}
            stroke={COLOURS[mark ?? 'open']}
            strokeWidth={3}
            strokeLinecap="round"
            strokeDasharray={mark === 'wrong' || mark === 'solution' ? '5 6' : undefined}
          />
        )
      })}
      {drag && drag.left in ends.lefts && (
        <line
          x1={ends.lefts[drag.left]!.x}
          y1={ends.lefts[drag.left]!.y}
          x2={drag.x}
          y2={drag.y}
          stroke="var(--color-secondary)"
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
    </svg>
  )
}
