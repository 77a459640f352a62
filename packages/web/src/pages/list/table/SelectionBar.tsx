import { ArrowDown, ArrowUp, Copy, PaintBucket, Trash2, X } from 'lucide-react'
import type { Selection } from './selection.ts'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../../texts/texts.ts'

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
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const { list } = useWriting()
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
      aria-label={t('selection.label')}
      className="sticky top-1 z-10 flex flex-wrap items-center gap-1.5 rounded-sm border border-secondary bg-accent p-1.5 text-sm"
    >
      <span className="px-1" role="status">
        {list([
          t('selection.rows', { count: ids.size }),
          ...(whole ? [] : columns.map((column) => t(`column.${column}`))),
        ])}
      </span>
      {whole &&
        button(t('selection.up'), t('selection.upHelp'), <ArrowUp size={15} aria-hidden="true" />, () => onMove(-1))}
      {whole &&
        button(t('selection.down'), t('selection.downHelp'), <ArrowDown size={15} aria-hidden="true" />, () =>
          onMove(1),
        )}
      {ids.size > 1 &&
        button(t('selection.fill'), t('selection.fillHelp'), <PaintBucket size={15} aria-hidden="true" />, onFill)}
      {button(t('selection.copy'), t('selection.copyHelp'), <Copy size={15} aria-hidden="true" />, onCopy)}
      {button(
        whole ? common('delete') : t('selection.empty'),
        common('delete'),
        <Trash2 size={15} aria-hidden="true" />,
        onDelete,
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square ms-auto"
        aria-label={t('selection.nothing')}
        title="Esc"
        onClick={onClose}
      >
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  )
}
