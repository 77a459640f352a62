import { ArrowDown, ArrowUp, Copy, PaintBucket, Trash2, X } from 'lucide-react'
import { COLUMN_NAMES } from './columns.ts'
import type { Selection } from './selection.ts'

interface SelectionBarProps {
  selection: Selection
  onMove: (by: -1 | 1) => void
  onFill: () => void
  onCopy: () => void
  onDelete: () => void
  onClose: () => void
}

/** What can be done with the selected rows or cells. */
export function SelectionBar({
  selection: { ids, columns },
  onMove,
  onFill,
  onCopy,
  onDelete,
  onClose,
}: SelectionBarProps) {
  const whole = columns === 'all'
  const button = (name: string, title: string, icon: React.ReactNode, act: () => void) => (
    <button type="button" className="btn btn-sm" title={title} onClick={act}>
      {icon}
      {name}
    </button>
  )
  return (
    <div
      role="toolbar"
      aria-label="Selected rows"
      className="sticky top-1 z-10 flex flex-wrap items-center gap-1.5 rounded-sm border border-secondary bg-accent p-1.5 text-sm"
    >
      <span className="px-1" role="status">
        {ids.size} {ids.size === 1 ? 'row' : 'rows'}
        {whole ? '' : `, ${columns.map((column) => COLUMN_NAMES[column]).join(', ')}`}
      </span>
      {whole && button('Up', 'Move up (Alt + ↑)', <ArrowUp size={15} aria-hidden="true" />, () => onMove(-1))}
      {whole && button('Down', 'Move down (Alt + ↓)', <ArrowDown size={15} aria-hidden="true" />, () => onMove(1))}
      {ids.size > 1 &&
        button(
          'Fill down',
          'Copy the first row’s cells to the others (Ctrl + D)',
          <PaintBucket size={15} aria-hidden="true" />,
          onFill,
        )}
      {button('Copy', 'Copy for a spreadsheet (Ctrl + C)', <Copy size={15} aria-hidden="true" />, onCopy)}
      {button(whole ? 'Delete' : 'Empty', 'Delete', <Trash2 size={15} aria-hidden="true" />, onDelete)}
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square ms-auto"
        aria-label="Select nothing"
        title="Esc"
        onClick={onClose}
      >
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  )
}
