import { mediaPath } from '@otter/api'
import { graphemesOf } from '@otter/core'
import { type CrosswordView } from '@otter/core/games/crossword'
import { useEffect, useRef, type KeyboardEvent } from 'react'
import type { Cursor } from './useCursor.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

interface BoardProps {
  view: CrosswordView
  cursor: Cursor
  letterAt: (cell: number) => string
  write: (cell: number, letter: string) => void
  /** Whether the player has touched the board: the phone's keyboard opens only then. */
  active: boolean
  onActivate: () => void
}

/** What stands behind a letter; mixed with the paper, so that a letter is read on it by day and by night. */
const FILL = {
  wrong: 'color-mix(in oklab, var(--color-error) 22%, var(--color-base-100))',
  right: 'color-mix(in oklab, var(--color-success) 22%, var(--color-base-100))',
  given: 'color-mix(in oklab, var(--color-neutral) 18%, var(--color-base-100))',
  none: 'var(--color-base-100)',
}

/** The grid of a crossword, with a field over the current cell that takes what is typed. */
export function Board({ view, cursor, letterAt, write, active, onActivate }: BoardProps) {
  const t = useTexts(texts)
  const input = useRef<HTMLInputElement>(null)
  const { rows, cols, clues, open, marks, direction } = view
  const x = (cell: number): number => (direction === 'rtl' ? cols - 1 - (cell % cols) : cell % cols)
  const y = (cell: number): number => Math.floor(cell / cols)
  const clue = clues[cursor.clue]!
  useEffect(() => {
    if (!active) return
    input.current?.focus({ preventScroll: true })
    // An enlarged grid follows the cell that is written in.
    input.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [active, cursor.cell, cursor.clue])

  const put = (text: string): void => {
    const letters = graphemesOf(view.letterCase === 'upper' ? text.toUpperCase() : text.toLowerCase()).filter(
      (letter) => letter.trim() !== '',
    )
    letters
      .slice(0, cursor.cells.length - cursor.place)
      .forEach((letter, index) => write(cursor.cells[cursor.place + index]!, letter))
    if (letters.length > 0) cursor.along(letters.length)
  }
  const onKey = (event: KeyboardEvent): void => {
    const ahead = direction === 'rtl' ? -1 : 1
    const keys: Record<string, () => void> = {
      ArrowRight: () => cursor.step(0, ahead),
      ArrowLeft: () => cursor.step(0, -ahead),
      ArrowDown: () => cursor.step(1, 0),
      ArrowUp: () => cursor.step(-1, 0),
      Enter: cursor.turn,
      ' ': cursor.turn,
      Home: () => cursor.along(-999),
      End: () => cursor.along(999),
      Delete: () => write(cursor.cell, ''),
      Backspace: () => {
        if (letterAt(cursor.cell) !== '') return write(cursor.cell, '')
        if (cursor.place > 0) write(cursor.cells[cursor.place - 1]!, '')
        cursor.along(-1)
      },
    }
    if (event.key === 'Tab') {
      if (cursor.nextClue(event.shiftKey ? -1 : 1)) event.preventDefault()
    } else if (event.key in keys && !event.nativeEvent.isComposing) {
      event.preventDefault()
      keys[event.key]!()
    }
  }
  const label = t('place', {
    number: clue.number,
    dir: t(clue.dir),
    place: cursor.place + 1,
    length: clue.length,
    letter: letterAt(cursor.cell) || t('blank'),
  })
  return (
    <div className="relative mx-auto w-full" style={{ maxWidth: `${cols * 2.9}rem` }} dir="ltr">
      <svg
        viewBox={`-0.05 -0.05 ${cols + 0.1} ${rows + 0.1}`}
        className="block w-full touch-manipulation select-none"
        // Numbers stand in the same corner, whichever way the page is read.
        direction="ltr"
        aria-hidden="true"
      >
        {view.background !== '' && (
          <image
            href={mediaPath(view.background)}
            width={cols}
            height={rows}
            preserveAspectRatio="xMidYMid slice"
            opacity={0.55}
          />
        )}
        {open.map(
          (isOpen, cell) =>
            isOpen && (
              <g
                key={cell}
                onClick={() => {
                  onActivate()
                  if (cell === cursor.cell) cursor.turn()
                  else cursor.goTo(cell)
                  input.current?.focus({ preventScroll: true })
                }}
              >
                <rect
                  x={x(cell)}
                  y={y(cell)}
                  width={1}
                  height={1}
                  fill={FILL[marks[cell] ?? 'none']}
                  stroke="var(--color-neutral)"
                  strokeWidth={0.04}
                />
                {cursor.cells.includes(cell) && (
                  <rect
                    x={x(cell)}
                    y={y(cell)}
                    width={1}
                    height={1}
                    fill="var(--color-accent)"
                    fillOpacity={cell === cursor.cell ? 1 : 0.45}
                    stroke="var(--color-neutral)"
                    strokeWidth={cell === cursor.cell ? 0.1 : 0.04}
                  />
                )}
                <text
                  x={x(cell) + 0.5}
                  y={y(cell) + 0.58}
                  fontSize={0.58}
                  fontWeight={700}
                  fill={marks[cell] === 'wrong' ? 'var(--color-error)' : 'currentColor'}
                  textAnchor="middle"
                  dominantBaseline="central"
                >
                  {letterAt(cell)}
                </text>
                {marks[cell] === 'wrong' && (
                  <path
                    d={`M${x(cell) + 0.1} ${y(cell) + 0.92}L${x(cell) + 0.9} ${y(cell) + 0.92}`}
                    stroke="var(--color-error)"
                    strokeWidth={0.07}
                  />
                )}
              </g>
            ),
        )}
        {clues.map(({ row, col, number, dir }) => (
          <text
            key={`${number} ${dir}`}
            x={x(row * cols + col) + 0.06}
            y={row + 0.08}
            fontSize={0.3}
            fill="currentColor"
            dominantBaseline="hanging"
            pointerEvents="none"
          >
            {number}
          </text>
        ))}
      </svg>
      {!view.finished && (
        <input
          ref={input}
          type="text"
          value=""
          aria-label={label}
          autoCapitalize="off"
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          inputMode="text"
          className="pointer-events-none absolute bg-transparent text-transparent caret-transparent outline-none"
          style={{
            left: `${(x(cursor.cell) / cols) * 100}%`,
            top: `${(y(cursor.cell) / rows) * 100}%`,
            width: `${100 / cols}%`,
            height: `${100 / rows}%`,
            // Smaller text makes phones zoom in.
            fontSize: 16,
            scrollMargin: '5rem 3rem',
          }}
          onFocus={onActivate}
          onKeyDown={onKey}
          onChange={(event) => put(event.target.value)}
        />
      )}
      <p className="sr-only" aria-live="polite">
        {active ? label : ''}
      </p>
    </div>
  )
}
