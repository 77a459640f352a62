import type { CheckNote } from '@otter/core'
import { memo } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { NUMBERS, type Column } from './columns.ts'
import { SelectionBar } from './SelectionBar.tsx'
import { useCheckWords } from './useCheckWords.ts'
import { useTable, type TableParts } from './useTable.ts'
import { WordRow } from './WordRow.tsx'

interface WordsTableProps extends TableParts {
  notes: ReadonlyMap<string, readonly CheckNote[]>
}

/** The list as a ruled table: edited in place, with the keyboard alone. Only the rows in sight are drawn. */
export const WordsTable = memo(function WordsTable({ notes, ...parts }: WordsTableProps) {
  const t = useTexts(listTexts)
  const check = useCheckWords()
  const { selection, cells, actions, drag, copy, move, fill, copySelected, deleteSelected, unselect } = useTable(parts)
  const { draft, columns, openId } = parts
  const { entries } = draft
  const { table, drawn, before, after } = cells
  return (
    <div className="flex flex-col gap-2" onCopy={copy} onCut={copy} {...drag.handlers}>
      {selection && (
        <SelectionBar
          selection={selection}
          onMove={move}
          onFill={fill}
          onCopy={copySelected}
          onDelete={deleteSelected}
          onClose={unselect}
        />
      )}
      <div className={columns.length > 4 ? 'overflow-x-auto' : ''}>
        <table
          ref={table}
          aria-label={t('words')}
          aria-rowcount={entries.length + 2}
          className="panel w-full table-fixed border-separate border-spacing-0"
          style={columns.length > 4 ? { minWidth: `${columns.length * 9}rem` } : undefined}
        >
          <thead>
            <tr aria-rowindex={1} className="text-start text-sm font-bold">
              <th className="w-11" scope="col">
                <span className="sr-only">{t('table.row')}</span>
              </th>
              {columns.map((column) => (
                <th key={column} scope="col" className={`px-2.5 py-2 text-start ${widthOf(column, columns)}`}>
                  {t(`column.${column}`)}
                </th>
              ))}
              <th className="w-10" scope="col">
                <span className="sr-only">{t('table.details')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {before > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length + 2} style={{ height: before, padding: 0 }} />
              </tr>
            )}
            {drawn.map(({ index, key: id }) => {
              const entry = entries[index]
              return (
                <WordRow
                  key={id}
                  say={t}
                  check={check}
                  entry={entry}
                  row={index}
                  columns={columns}
                  notes={entry && notes.get(entry.id)}
                  selected={entry && selection?.ids.has(entry.id) ? selection.columns : undefined}
                  isOpen={entry !== undefined && entry.id === openId}
                  dropHere={drag.dropAt === index}
                  actions={actions}
                  measure={cells.measure}
                />
              )
            })}
            {after > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length + 2} style={{ height: after, padding: 0 }} />
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </div>
  )
})

function widthOf(column: Column, columns: readonly Column[]): string {
  if (NUMBERS.has(column) || column === 'scored') return 'w-24'
  return column === 'answer' ? (columns.length < 3 ? 'w-[34%]' : 'w-40') : ''
}
