import { columnCount, FIELDS, type Entry, type Field, type LeftOut, type Table } from '@otter/core'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** Rows drawn at once; the rest is counted. */
const SHOWN = 200
const LEFT_SHOWN = 8

interface TableReviewProps {
  table: Table
  fields: readonly Field[]
  onFields: (fields: Field[]) => void
  entries: readonly Entry[]
  left: readonly LeftOut[]
  joined: number
}

/** Shows row by row how a table is understood; each column can be given another field. */
export function TableReview({ table, fields, onFields, entries, left, joined }: TableReviewProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const count = columnCount(table)
  const said = [
    table.rows.length > SHOWN && t('review.shown', { shown: SHOWN, count: table.rows.length }),
    table.blankLines > 0 && t('review.blank', { count: table.blankLines }),
    joined > 0 && t('review.joined', { count: joined }),
    entries.length === 0 && t('review.nothing'),
  ].filter((sentence) => sentence !== false)
  return (
    <>
      <div
        className="min-h-40 overflow-auto border border-base-300"
        role="region"
        aria-label={t('import.understood')}
        tabIndex={0}
      >
        <table className="w-full border-collapse text-start">
          <thead className="sticky top-0 bg-base-100">
            <tr>
              {Array.from({ length: count }, (_, index) => (
                <th key={index} scope="col" className="min-w-36 p-1 text-start align-bottom text-sm font-normal">
                  {table.header?.[index] && <span className="quiet block truncate px-1">{table.header[index]}</span>}
                  <select
                    aria-label={t('review.column', { number: index + 1 })}
                    className="select select-sm w-full"
                    value={fields[index]}
                    onChange={(event) =>
                      onFields(fields.map((field, other) => (other === index ? (event.target.value as Field) : field)))
                    }
                  >
                    {FIELDS.map((field) => (
                      <option key={field} value={field}>
                        {t(`field.${field}`)}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.slice(0, SHOWN).map(({ cells }, row) => (
              <tr key={row} className="border-t border-base-300 align-top">
                {Array.from({ length: count }, (_, index) => (
                  <td
                    key={index}
                    dir="auto"
                    className={`px-2 py-1.5 whitespace-pre-line ${fields[index] === 'answer' ? 'font-bold' : ''} ${fields[index] === 'skip' ? 'quiet line-through' : ''}`}
                  >
                    {cells[index] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="text-sm">
        <p className="quiet">{said.join(' ')}</p>
        {([false, true] as const).map((isKept) => {
          const rows = left.filter((one) => (one.isKept ?? false) === isKept)
          if (rows.length === 0) return null
          return (
            <details key={String(isKept)} open className="mt-1">
              <summary className={`cursor-pointer ${isKept ? '' : 'text-error'}`}>
                {t(isKept ? 'review.keptWithout' : 'review.left', { count: rows.length })}
              </summary>
              <ul className="ms-4 list-disc">
                {rows.slice(0, LEFT_SHOWN).map((one) => (
                  <li key={`${one.line} ${one.why} ${one.text}`}>
                    {t(`left.${one.why}`, { line: one.line, text: one.text })}
                  </li>
                ))}
                {rows.length > LEFT_SHOWN && <li>{common('more', { count: rows.length - LEFT_SHOWN })}</li>}
              </ul>
            </details>
          )
        })}
      </div>
    </>
  )
}
