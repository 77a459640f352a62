import type { WordSearchView } from '@otter/core/games/wordsearch'
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

export interface Cell {
  row: number
  col: number
}

interface LetterBoardProps {
  view: WordSearchView
  /** A line that is on its way to be judged. */
  pending: { from: Cell; to: Cell } | undefined
  /** Whether the grid scrolls: then both ends are tapped, and a finger that draws moves the grid. */
  isLarge: boolean
  onMark: (from: Cell, to: Cell) => void
}

/** The grid of letters: words are marked by drawing a line, tapping both ends, or with the keyboard. */
export function LetterBoard({ view, pending, isLarge, onMark }: LetterBoardProps) {
  const t = useTexts(texts)
  const board = useRef<HTMLDivElement>(null)
  const [anchor, setAnchor] = useState<Cell>()
  const [head, setHead] = useState<Cell>()
  const [cursor, setCursor] = useState<Cell>({ row: 0, col: 0 })
  const [drawing, setDrawing] = useState(false)
  const [showCursor, setShowCursor] = useState(false)
  const rows = view.rows.length
  const cols = view.rows[0]!.length
  const rtl = view.direction === 'rtl'

  const cellAt = (event: PointerEvent): Cell => {
    const box = board.current?.getBoundingClientRect() ?? new DOMRect()
    const x = Math.floor(((event.clientX - box.left) / box.width) * cols)
    const row = Math.floor(((event.clientY - box.top) / box.height) * rows)
    return inside({ row, col: rtl ? cols - 1 - x : x }, rows, cols)
  }
  const finish = (from: Cell, to: Cell): void => {
    setAnchor(undefined)
    setHead(undefined)
    onMark(from, to)
  }
  const press = (event: PointerEvent<HTMLDivElement>): void => {
    if (view.finished || event.button !== 0) return
    const cell = cellAt(event)
    setShowCursor(false)
    setCursor(cell)
    if (!isLarge) event.currentTarget.setPointerCapture(event.pointerId)
    if (anchor && !same(anchor, cell)) return finish(anchor, snap(anchor, cell, rows, cols))
    setDrawing(!isLarge)
    setAnchor(cell)
    setHead(cell)
  }
  const drag = (event: PointerEvent): void => {
    if (drawing && anchor) setHead(snap(anchor, cellAt(event), rows, cols))
  }
  const release = (): void => {
    setDrawing(false)
    if (drawing && anchor && head && !same(anchor, head)) finish(anchor, head)
  }
  const key = (event: KeyboardEvent): void => {
    const steps: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, rtl ? 1 : -1],
      ArrowRight: [0, rtl ? -1 : 1],
    }
    const step = steps[event.key]
    if (step) {
      const next = inside({ row: cursor.row + step[0], col: cursor.col + step[1] }, rows, cols)
      setCursor(next)
      setShowCursor(true)
      if (anchor) setHead(snap(anchor, next, rows, cols))
    } else if (event.key === 'Enter' || event.key === ' ') {
      setShowCursor(true)
      if (!anchor) {
        setAnchor(cursor)
        setHead(cursor)
      } else if (same(anchor, cursor)) {
        setAnchor(undefined)
        setHead(undefined)
      } else finish(anchor, snap(anchor, cursor, rows, cols))
    } else if (event.key === 'Escape') {
      setAnchor(undefined)
      setHead(undefined)
    } else return
    event.preventDefault()
  }

  const middle = ({ row, col }: Cell): { x: number; y: number } => ({
    x: (rtl ? cols - 1 - col : col) + 0.5,
    y: row + 0.5,
  })
  const line = (from: Cell, to: Cell, className: string, id: string) => {
    const one = middle(from)
    const other = middle(to)
    return (
      <line
        key={id}
        x1={one.x}
        y1={one.y}
        x2={other.x}
        y2={other.y}
        strokeWidth={0.78}
        strokeLinecap="round"
        className={className}
      />
    )
  }
  return (
    <div className="panel mx-auto w-full p-1.5 sm:p-2" style={{ maxWidth: `min(100%, ${cols * 46}px)` }}>
      <div
        ref={board}
        role="application"
        tabIndex={0}
        aria-label={t('board', { rows, cols })}
        aria-describedby="board-help"
        className={`relative cursor-pointer select-none ${isLarge ? '' : 'touch-pinch-zoom'}`}
        style={{ aspectRatio: `${cols} / ${rows}`, containerType: 'inline-size' }}
        onPointerDown={press}
        onPointerMove={drag}
        onPointerUp={release}
        onPointerCancel={() => {
          setDrawing(false)
          setAnchor(undefined)
          setHead(undefined)
        }}
        onKeyDown={key}
        onFocus={(event) => setShowCursor(event.currentTarget.matches(':focus-visible'))}
        onBlur={() => setShowCursor(false)}
      >
        <svg viewBox={`0 0 ${cols} ${rows}`} className="absolute inset-0 h-full w-full" aria-hidden="true">
          {view.items.map(
            ({ found }, index) =>
              found &&
              line(
                found,
                end(found, view.items[index]!.length),
                found.given ? 'stroke-warning/45' : 'stroke-secondary/30',
                `found ${index}`,
              ),
          )}
          {view.items.map(
            ({ hint, found }, index) =>
              hint &&
              !found && (
                <circle
                  key={`hint ${index}`}
                  cx={middle(hint).x}
                  cy={middle(hint).y}
                  r={0.42}
                  className="fill-warning/50 stroke-warning"
                  strokeWidth={0.06}
                />
              ),
          )}
          {pending && line(pending.from, pending.to, 'stroke-neutral/30', 'pending')}
          {anchor && line(anchor, head ?? anchor, 'stroke-secondary/45', 'drawn')}
          {showCursor && (
            <rect
              x={middle(cursor).x - 0.46}
              y={cursor.row + 0.04}
              width={0.92}
              height={0.92}
              rx={0.12}
              fill="none"
              strokeWidth={0.08}
              className="stroke-secondary"
            />
          )}
        </svg>
        <div
          dir={view.direction}
          className="relative grid h-full w-full text-center font-bold"
          style={{ gridTemplateColumns: `repeat(${cols}, 1fr)`, fontSize: `${58 / cols}cqw` }}
          aria-hidden="true"
        >
          {view.rows.flatMap((row, r) =>
            row.map((letter, c) => (
              <span key={`${r} ${c}`} className="flex items-center justify-center leading-none">
                {letter}
              </span>
            )),
          )}
        </div>
      </div>
      <p className="sr-only" aria-live="polite">
        {showCursor
          ? t('cell', {
              letter: view.rows[cursor.row]![cursor.col]!,
              row: cursor.row + 1,
              col: cursor.col + 1,
            })
          : ''}
      </p>
    </div>
  )
}

function inside({ row, col }: Cell, rows: number, cols: number): Cell {
  return { row: Math.max(0, Math.min(rows - 1, row)), col: Math.max(0, Math.min(cols - 1, col)) }
}

function same(one: Cell, other: Cell): boolean {
  return one.row === other.row && one.col === other.col
}

function end(found: { row: number; col: number; dRow: number; dCol: number }, length: number): Cell {
  return { row: found.row + found.dRow * (length - 1), col: found.col + found.dCol * (length - 1) }
}

/** The cell nearest to where the finger is that lies on one of the eight lines from where it began. */
function snap(from: Cell, to: Cell, rows: number, cols: number): Cell {
  const down = to.row - from.row
  const along = to.col - from.col
  const angle = Math.round(Math.atan2(down, along) / (Math.PI / 4))
  const dRow = [0, 1, 1, 1, 0, -1, -1, -1][(angle + 8) % 8]!
  const dCol = [1, 1, 0, -1, -1, -1, 0, 1][(angle + 8) % 8]!
  let length = Math.max(Math.abs(down), Math.abs(along))
  const fits = (): boolean => {
    const row = from.row + dRow * length
    const col = from.col + dCol * length
    return row >= 0 && row < rows && col >= 0 && col < cols
  }
  while (length > 0 && !fits()) length--
  return { row: from.row + dRow * length, col: from.col + dCol * length }
}
