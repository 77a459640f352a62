import { columnCount, FIELDS, type Entry, type Field, type LeftOut, type Table } from '@otter/core'

const FIELD_NAMES: Record<Field, string> = {
  answer: 'Answer',
  prompt: 'Prompt',
  accepted: 'Also accepted',
  wrong: 'Wrong choice',
  right: 'Right choice',
  hint: 'Hint',
  fact: 'Fact',
  group: 'Group',
  worth: 'Worth',
  seconds: 'Seconds',
  scored: 'Scored',
  standard: 'Standard',
  skip: '(leave out)',
}
/** Rows drawn at once; the rest is counted. */
const SHOWN = 200
const LEFT_SHOWN = 8

/** Words why a row is left out. */
function sentenceForLeft({ line, why, text }: LeftOut): string {
  switch (why) {
    case 'formula':
      return `Row ${line}: ${text} holds a formula. Copy its value there, then import again.`
    case 'too-long':
      return `Row ${line}: a text is too long to keep (“${text}”).`
    case 'no-text':
      return `Row ${line}: nothing in the columns that are used.`
    case 'no-room':
      return `Row ${line}: more choices or spellings than one entry holds (“${text}”).`
    case 'bad-number':
      return `Row ${line}: “${text}” is not a whole number that fits here.`
    case 'bad-scored':
      return `Row ${line}: “${text}” is neither yes nor no.`
  }
}

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
  const count = columnCount(table)
  return (
    <>
      <div
        className="min-h-40 overflow-auto border border-base-300"
        role="region"
        aria-label="What was understood"
        tabIndex={0}
      >
        <table className="w-full border-collapse text-start">
          <thead className="sticky top-0 bg-base-100">
            <tr>
              {Array.from({ length: count }, (_, index) => (
                <th key={index} scope="col" className="min-w-36 p-1 text-start align-bottom text-sm font-normal">
                  {table.header?.[index] && <span className="quiet block truncate px-1">{table.header[index]}</span>}
                  <select
                    aria-label={`Column ${index + 1}`}
                    className="select select-sm w-full"
                    value={fields[index]}
                    onChange={(event) =>
                      onFields(fields.map((field, other) => (other === index ? (event.target.value as Field) : field)))
                    }
                  >
                    {FIELDS.map((field) => (
                      <option key={field} value={field}>
                        {FIELD_NAMES[field]}
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
        <p className="quiet">
          {table.rows.length > SHOWN && `The first ${SHOWN} of ${table.rows.length} rows are shown. `}
          {table.blankLines > 0 &&
            `${table.blankLines} blank ${table.blankLines === 1 ? 'row was' : 'rows were'} skipped. `}
          {joined > 0 && `${joined} ${joined === 1 ? 'cell was' : 'cells were'} joined to the one before. `}
          {entries.length === 0 && 'Nothing to add yet.'}
        </p>
        {left.length > 0 && (
          <details open className="mt-1">
            <summary className="cursor-pointer text-error">
              {left.length} {left.length === 1 ? 'row is' : 'rows are'} left out
            </summary>
            <ul className="ms-4 list-disc">
              {left.slice(0, LEFT_SHOWN).map((one) => (
                <li key={`${one.line} ${one.why}`}>{sentenceForLeft(one)}</li>
              ))}
              {left.length > LEFT_SHOWN && <li>and {left.length - LEFT_SHOWN} more</li>}
            </ul>
          </details>
        )}
      </div>
    </>
  )
}
