import type { Cell } from '@otter/core/results'

const SIZE = 14

/** How a cell of the map looks: each by its shape, so that none is told by colour alone. */
const SHAPES: Readonly<Record<Cell, { path: string; look: string }>> = {
  right: { path: 'M7 3a4 4 0 1 0 0 8a4 4 0 1 0 0-8z', look: 'fill-success' },
  mended: {
    path: 'M7 1.5a5.5 5.5 0 1 0 0 11a5.5 5.5 0 1 0 0-11zM7 2.7a4.3 4.3 0 1 1 0 8.6z',
    look: 'fill-secondary [fill-rule:evenodd]',
  },
  wrong: { path: 'M7 0.8L13.2 7L7 13.2L0.8 7z', look: 'fill-error' },
  passed: { path: 'M2.5 7h9', look: 'fill-none stroke-base-content [stroke-width:2]' },
  'not-reached': { path: 'M7 6a1 1 0 1 0 0 2a1 1 0 1 0 0-2z', look: 'fill-base-content opacity-60' },
  'not-asked': { path: '', look: '' },
}

/** What stands in a cell, as its shape. What it means is said beside it, or by the cell's own name. */
export function CellMark({ cell }: { cell: Cell }) {
  const { path, look } = SHAPES[cell]
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} className={`inline-block size-3.5 ${look}`} aria-hidden="true">
      <path d={path} />
    </svg>
  )
}
