import type { CrosswordView } from '@otter/core/games/crossword'
import { useMemo, useState } from 'react'

/** Where the player is: a cell, and the clue whose letters are being written. */
export interface Cursor {
  cell: number
  clue: number
  /** Cells of the clue, and the place of the cell among them. */
  cells: number[]
  place: number
  goTo: (cell: number, clue?: number) => void
  /** Along the clue, by so many letters; stays within it. */
  along: (by: number) => void
  /** To the nearest open cell above, below or beside, turning to the clue that runs that way. */
  step: (rows: number, cols: number) => void
  /** To another clue, from its first empty letter; false where there is none. */
  nextClue: (by: number) => boolean
  turn: () => void
  /** The clues that a cell belongs to. */
  cluesAt: (cell: number) => number[]
}

/** Keeps the cursor of a crossword. */
export function useCursor(view: CrosswordView, letterAt: (cell: number) => string): Cursor {
  const { clues, cols, rows, open } = view
  const cellsByClue = useMemo(
    () =>
      clues.map(({ row, col, dir, length }) =>
        Array.from({ length }, (_, index) =>
          dir === 'across' ? row * cols + col + index : (row + index) * cols + col,
        ),
      ),
    [clues, cols],
  )
  const order = useMemo(
    () =>
      [...clues.keys()].sort(
        (one, two) =>
          Number(clues[one]!.dir === 'down') - Number(clues[two]!.dir === 'down') ||
          clues[one]!.number - clues[two]!.number,
      ),
    [clues],
  )
  const [at, setAt] = useState({ cell: cellsByClue[order[0]!]![0]!, clue: order[0]! })
  const cluesAt = (cell: number): number[] => order.filter((clue) => cellsByClue[clue]!.includes(cell))
  const goTo = (cell: number, clue?: number): void => {
    const choices = cluesAt(cell)
    if (choices.length > 0) setAt({ cell, clue: clue ?? (choices.includes(at.clue) ? at.clue : choices[0]!) })
  }
  const cells = cellsByClue[at.clue]!
  const place = cells.indexOf(at.cell)
  return {
    ...at,
    cells,
    place,
    goTo,
    cluesAt,
    along: (by) => setAt({ ...at, cell: cells[Math.max(0, Math.min(cells.length - 1, place + by))]! }),
    step: (rowBy, colBy) => {
      let row = Math.floor(at.cell / cols)
      let col = at.cell % cols
      do {
        row += rowBy
        col += colBy
      } while (row >= 0 && col >= 0 && row < rows && col < cols && !open[row * cols + col])
      if (row < 0 || col < 0 || row >= rows || col >= cols) return
      const cell = row * cols + col
      goTo(
        cell,
        cluesAt(cell).find((clue) => (clues[clue]!.dir === 'down') === (rowBy !== 0)),
      )
    },
    nextClue: (by) => {
      const next = order[order.indexOf(at.clue) + by]
      if (next === undefined) return false
      setAt({ clue: next, cell: cellsByClue[next]!.find((cell) => letterAt(cell) === '') ?? cellsByClue[next]![0]! })
      return true
    },
    turn: () => {
      const other = cluesAt(at.cell).find((clue) => clue !== at.clue)
      if (other !== undefined) setAt({ ...at, clue: other })
    },
  }
}
