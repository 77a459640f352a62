import { useWindowVirtualizer, type VirtualItem, type Virtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type RefObject } from 'react'
import type { Column } from './columns.ts'

/** Height of a row of one line, in pixels; others are measured. */
const ROW_HEIGHT = 40
/** How many frames a cell out of sight may take to be drawn. */
const FRAMES = 20

/** The cells of a table of which only the rows in sight are drawn. */
export interface Cells {
  table: RefObject<HTMLTableElement | null>
  drawn: VirtualItem[]
  measure: Virtualizer<Window, Element>['measureElement']
  /** Heights of what is not drawn, before and after, in pixels. */
  before: number
  after: number
  /** Returns a cell, where it is drawn. */
  cellAt(row: number, column: Column): HTMLElement | null | undefined
  /** Brings a cell into view and puts the cursor into it. */
  focus(row: number, column: Column): void
}

/** Keeps track of the cells of so many rows. */
export function useCells(count: number, idOf: (row: number) => string): Cells {
  const table = useRef<HTMLTableElement>(null)
  const [top, setTop] = useState(0)
  const rows = useWindowVirtualizer({
    count,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    scrollMargin: top,
    getItemKey: idOf,
  })
  useEffect(() => {
    // Whatever appears above the table moves it; then the page changes its height too.
    const measure = (): void =>
      setTop(Math.round((table.current?.tBodies[0]!.getBoundingClientRect().top ?? 0) + scrollY))
    const observer = new ResizeObserver(measure)
    observer.observe(document.body)
    return () => observer.disconnect()
  }, [])
  const cellAt: Cells['cellAt'] = (row, column) =>
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)
  const focus: Cells['focus'] = (row, column) => {
    // At once where the cell is drawn: what is typed right after Enter belongs to the next row already.
    const cell = cellAt(row, column)
    if (cell) return cell.focus()
    rows.scrollToIndex(row, { align: 'center' })
    let tries = FRAMES
    requestAnimationFrame(function again() {
      const found = cellAt(row, column)
      if (found) found.focus()
      else if (tries-- > 0) requestAnimationFrame(again)
    })
  }
  const drawn = rows.getVirtualItems()
  return {
    table,
    drawn,
    measure: rows.measureElement,
    before: (drawn[0]?.start ?? top) - top,
    after: drawn.length > 0 ? rows.getTotalSize() - (drawn[drawn.length - 1]!.end - top) : 0,
    cellAt,
    focus,
  }
}
