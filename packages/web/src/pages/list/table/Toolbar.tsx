import { ClipboardPlus, Columns3, Ellipsis, Images, Redo2, Save, Undo2 } from 'lucide-react'
import { memo, useId } from 'react'
import { COLUMNS, type Column } from './columns.ts'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface ToolbarProps {
  columns: readonly Column[]
  canUndo: boolean
  canRedo: boolean
  onColumns: (columns: Column[]) => void
  onUndo: () => void
  onRedo: () => void
  onImport: () => void
  onOpen: (dialog: 'export' | 'pictures' | 'details') => void
  onSwap: () => void
  onBothSides: () => void
}

/** What can be done with the list's words as a whole. */
export const Toolbar = memo(function Toolbar({
  columns,
  canUndo,
  canRedo,
  onColumns,
  onUndo,
  onRedo,
  onImport,
  onOpen,
  onSwap,
  onBothSides,
}: ToolbarProps) {
  const t = useTexts(listTexts)
  const id = useId().replaceAll(':', '')
  const item = (name: string, act: () => void) => (
    <li>
      <button
        type="button"
        onClick={(event) => {
          event.currentTarget.closest<HTMLElement>('[popover]')?.hidePopover()
          act()
        }}
      >
        {name}
      </button>
    </li>
  )
  return (
    <div role="toolbar" aria-label={t('steps.words')} className="flex flex-wrap items-center gap-1.5">
      <button type="button" className="btn btn-sm" onClick={onImport}>
        <ClipboardPlus size={16} aria-hidden="true" />
        {t('toolbar.add')}
      </button>
      <button type="button" className="btn btn-sm" onClick={() => onOpen('pictures')}>
        <Images size={16} aria-hidden="true" />
        {t('toolbar.pictures')}
      </button>
      <button type="button" className="btn btn-sm" onClick={() => onOpen('export')}>
        <Save size={16} aria-hidden="true" />
        {t('toolbar.saveAs')}
      </button>
      <button
        type="button"
        className="btn btn-sm"
        popoverTarget={`${id}-columns`}
        style={{ anchorName: `--${id}-columns` }}
      >
        <Columns3 size={16} aria-hidden="true" />
        {t('toolbar.columns')}
      </button>
      <div
        popover="auto"
        id={`${id}-columns`}
        className="dropdown panel p-2 shadow-sm"
        style={{ positionAnchor: `--${id}-columns` }}
      >
        <ul aria-label={t('toolbar.shown')}>
          {COLUMNS.map((column) => (
            <li key={column}>
              <label className="flex items-center gap-2 px-1 py-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={columns.includes(column)}
                  disabled={columns.length === 1 && columns[0] === column}
                  onChange={(event) =>
                    onColumns(
                      COLUMNS.filter((other) => (other === column ? event.target.checked : columns.includes(other))),
                    )
                  }
                />
                {t(`column.${column}`)}
              </label>
            </li>
          ))}
        </ul>
      </div>
      <button
        type="button"
        className="btn btn-sm btn-square"
        popoverTarget={`${id}-more`}
        aria-label={t('toolbar.more')}
        style={{ anchorName: `--${id}-more` }}
      >
        <Ellipsis size={16} aria-hidden="true" />
      </button>
      <div
        popover="auto"
        id={`${id}-more`}
        className="dropdown panel shadow-sm"
        style={{ positionAnchor: `--${id}-more` }}
      >
        <ul className="menu">
          {item(t('toolbar.about'), () => onOpen('details'))}
          {item(t('toolbar.swap'), onSwap)}
          {item(t('toolbar.bothSides'), onBothSides)}
        </ul>
      </div>
      <span className="ms-auto flex gap-1">
        <button type="button" className="btn btn-ghost btn-sm" disabled={!canUndo} onClick={onUndo}>
          <Undo2 size={16} aria-hidden="true" />
          {t('toolbar.undo')}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" disabled={!canRedo} onClick={onRedo}>
          <Redo2 size={16} aria-hidden="true" />
          {t('toolbar.redo')}
        </button>
      </span>
    </div>
  )
})
