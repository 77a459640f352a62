import { useState, type DragEvent } from 'react'
import type { Column } from './columns.ts'

const DRAGGED = 'application/x-otter-rows'

interface RowDrag {
  /** The row before which what is dragged would fall; undefined where nothing is. */
  dropAt: number | undefined
  /** Begins to drag the rows of these ids. */
  begin(event: DragEvent, ids: readonly string[]): void
  /** What the table listens to. */
  handlers: Record<'onDragOver' | 'onDragLeave' | 'onDrop', (event: DragEvent) => void>
}

interface RowDragProps {
  count: number
  onMove: (ids: ReadonlySet<string>, to: number) => void
  onFiles: (files: File[], row: number, column: Column) => void
}

/** Rows that are dragged to another place, and files that are dropped on a cell. */
export function useRowDrag({ count, onMove, onFiles }: RowDragProps): RowDrag {
  const [dropAt, setDropAt] = useState<number>()
  const rowUnder = (event: DragEvent): number => {
    const under = (event.target as HTMLElement).closest<HTMLElement>('[data-row]')
    if (!under) return count
    const { top, height } = under.getBoundingClientRect()
    return Math.min(count, Number(under.dataset.row) + (event.clientY > top + height / 2 ? 1 : 0))
  }
  const cellUnder = (event: DragEvent): [row: number, column: Column] => {
    const cell = (event.target as HTMLElement).closest('td')?.querySelector<HTMLElement>('[data-cell]')
    const [row, column] = (cell?.dataset.cell ?? `${count} answer`).split(' ')
    return [Number(row), column as Column]
  }
  return {
    dropAt,
    begin: (event, ids) => {
      event.dataTransfer.setData(DRAGGED, JSON.stringify(ids))
      event.dataTransfer.effectAllowed = 'move'
    },
    handlers: {
      onDragOver: (event) => {
        const { types } = event.dataTransfer
        if (!types.includes(DRAGGED) && !types.includes('Files')) return
        event.preventDefault()
        if (types.includes(DRAGGED)) setDropAt(rowUnder(event))
      },
      onDragLeave: () => setDropAt(undefined),
      onDrop: (event) => {
        setDropAt(undefined)
        const { types, files } = event.dataTransfer
        if (!types.includes(DRAGGED) && files.length === 0) return
        event.preventDefault()
        if (types.includes(DRAGGED))
          onMove(new Set(JSON.parse(event.dataTransfer.getData(DRAGGED)) as string[]), rowUnder(event))
        else onFiles([...files], ...cellUnder(event))
      },
    },
  }
}
