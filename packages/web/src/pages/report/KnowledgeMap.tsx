import type { GivenAnswer, ReportReply, ReportScope } from '@otter/api'
import { cellOf, type MapOrder } from '@otter/core/results'
import { useReducer, useRef, useState, type KeyboardEvent } from 'react'
import { useReportedAnswers } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { CellMark } from './marks.tsx'
import { mapReducer, orderOf, START, type MapSorting } from './mapOrder.ts'
import { Pages } from './Pages.tsx'

/** Most students and entries that are shown at once. */
const MOST_ROWS = 40
const MOST_COLUMNS = 24
const ORDERS: readonly MapOrder[] = ['given', 'weakest', 'strongest']

interface KnowledgeMapProps {
  scope: ReportScope
  report: ReportReply & { map: string[] }
}

/** Students by entries: sorted by either side, each cell told by its shape, with the answer where one looks. */
export function KnowledgeMap({ scope, report }: KnowledgeMapProps) {
  const t = useTexts(reportTexts)
  const [state, dispatch] = useReducer(mapReducer, START)
  const [at, setAt] = useState<{ student: string; entry: string }>()
  const table = useRef<HTMLTableElement>(null)
  const { students, entries, map } = report
  const teach = new Set(report.brief.teach.map(({ entryId }) => entryId))
  const { rows, columns } = orderOf(state, report)
  const shownRows = rows.slice(state.firstStudent, state.firstStudent + MOST_ROWS)
  const shownColumns = columns.slice(state.firstEntry, state.firstEntry + MOST_COLUMNS)
  const answers = useReportedAnswers(scope, at?.student)
  const sort = (side: 'students' | 'entries', sorting: MapSorting): void => dispatch({ type: 'sort', side, sorting })
  const orderName = (sorting: MapSorting): MapOrder => ('order' in sorting ? sorting.order : 'given')
  const look = (row: number, column: number): void =>
    setAt({ student: students[row]!.id, entry: entries[column]!.entryId })
  const move = (event: KeyboardEvent<HTMLTableCellElement>, row: number, column: number): void => {
    const step = STEPS[event.key]
    if (!step) return
    event.preventDefault()
    const isTurned = getComputedStyle(event.currentTarget).direction === 'rtl'
    const [down, along] = [step[0], isTurned ? -step[1] : step[1]]
    const cells = table.current?.querySelectorAll<HTMLElement>('tbody tr')[bounded(row + down, shownRows.length)]
    cells?.querySelectorAll<HTMLElement>('td[data-cell]')[bounded(column + along, shownColumns.length)]?.focus()
  }
  const focused = at && {
    row: shownRows.findIndex((row) => students[row]!.id === at.student),
    column: shownColumns.findIndex((column) => entries[column]!.entryId === at.entry),
  }
  const isFocusable = (row: number, column: number): boolean =>
    focused && focused.row >= 0 && focused.column >= 0
      ? focused.row === row && focused.column === column
      : row === 0 && column === 0
  return (
    <section aria-labelledby="map" className="panel flex flex-col gap-2 p-4">
      <div className="flex flex-wrap items-end gap-3">
        <div className="me-auto">
          <h2 id="map" className="text-2xl">
            {t('map.title')}
          </h2>
          <p className="quiet text-sm">{t('map.help')}</p>
        </div>
        {(['students', 'entries'] as const).map((side) => (
          <Select
            key={side}
            label={t(`map.${side}`)}
            value={orderName(state[side])}
            options={ORDERS.map((order) => [order, t(`map.order.${order}`)] as const)}
            onChange={(order) => sort(side, { order })}
          />
        ))}
      </div>
      <Legend />
      <div className="overflow-x-auto">
        <table ref={table} className="border-collapse" aria-label={t('map.table')}>
          <thead>
            <tr>
              <td />
              {shownColumns.map((column) => (
                <th
                  key={entries[column]!.entryId}
                  scope="col"
                  aria-sort={'by' in state.students && state.students.by === column ? 'other' : undefined}
                  className="h-28 w-9 min-w-9 p-0 align-bottom"
                >
                  <button
                    type="button"
                    className="map-heading"
                    aria-label={t('map.sortBy', { name: entries[column]!.text })}
                    title={entries[column]!.text}
                    onClick={() => sort('students', { by: column })}
                  >
                    <bdi>{entries[column]!.text}</bdi>
                  </button>
                </th>
              ))}
              <th scope="col" className="p-2 text-end align-bottom">
                {t('map.right')}
              </th>
            </tr>
          </thead>
          <tbody>
            {shownRows.map((row, rowAt) => (
              <tr key={students[row]!.id} className="border-t border-base-300">
                <th scope="row" className="max-w-52 min-w-36 py-1 pe-3 text-start">
                  <button
                    type="button"
                    className="block max-w-full truncate text-start font-bold hover:underline"
                    aria-label={t('map.sortBy', { name: students[row]!.name })}
                    onClick={() => sort('entries', { by: row })}
                  >
                    <bdi>{students[row]!.name}</bdi>
                  </button>
                  {students[row]!.trouble && students[row]!.trouble.gone > 0 && (
                    <span className="quiet block text-xs font-normal">{t('trouble.lost')}</span>
                  )}
                </th>
                {shownColumns.map((column, columnAt) => {
                  const cell = cellOf(map[row]![column])
                  return (
                    <td
                      key={entries[column]!.entryId}
                      data-cell
                      tabIndex={isFocusable(rowAt, columnAt) ? 0 : -1}
                      className={`${teach.has(entries[column]!.entryId) ? 'bg-error/10' : ''} h-9 cursor-default text-center outline-offset-[-3px] hover:bg-accent focus:bg-accent`}
                      aria-label={t(`cell.${cell}`)}
                      onFocus={() => look(row, column)}
                      onMouseEnter={() => look(row, column)}
                      onClick={(event) => event.currentTarget.focus()}
                      onKeyDown={(event) => move(event, rowAt, columnAt)}
                    >
                      <CellMark cell={cell} />
                    </td>
                  )
                })}
                <td className="px-2 text-end whitespace-nowrap tabular-nums">
                  <RowShare row={map[row]!} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Here report={report} at={at} answers={answers.data?.answers} />
      <div className="flex flex-wrap gap-x-6">
        <Pages
          first={state.firstEntry}
          most={MOST_COLUMNS}
          of={columns.length}
          names={[t('map.earlier'), t('map.later')]}
          onGo={(first) => dispatch({ type: 'page', side: 'entries', first })}
        />
        <Pages
          first={state.firstStudent}
          most={MOST_ROWS}
          of={rows.length}
          names={[t('map.earlierStudents'), t('map.laterStudents')]}
          onGo={(first) => dispatch({ type: 'page', side: 'students', first })}
        />
      </div>
    </section>
  )
}

const STEPS: Readonly<Record<string, readonly [down: number, along: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  Home: [0, -Infinity],
  End: [0, Infinity],
  PageUp: [-Infinity, 0],
  PageDown: [Infinity, 0],
}

function bounded(place: number, count: number): number {
  return Math.min(count - 1, Math.max(0, place))
}

function RowShare({ row }: { row: string }) {
  const t = useTexts(reportTexts)
  const cells = [...row].map(cellOf).filter((cell) => cell !== 'not-asked')
  return t('map.rightOf', { right: cells.filter((cell) => cell === 'right').length, met: cells.length })
}

function Legend() {
  const t = useTexts(reportTexts)
  return (
    <ul className="quiet flex flex-wrap gap-x-4 text-sm">
      {(['right', 'mended', 'wrong', 'passed', 'not-reached'] as const).map((cell) => (
        <li key={cell} className="flex items-center gap-1">
          <CellMark cell={cell} /> {t(`cell.${cell}`)}
        </li>
      ))}
    </ul>
  )
}

/** What was answered in the cell that is looked at. */
function Here({
  report: { students, entries, map },
  at,
  answers,
}: {
  report: KnowledgeMapProps['report']
  at: { student: string; entry: string } | undefined
  answers: readonly GivenAnswer[] | undefined
}) {
  const t = useTexts(reportTexts)
  const row = students.findIndex(({ id }) => id === at?.student)
  const column = entries.findIndex(({ entryId }) => entryId === at?.entry)
  if (row < 0 || column < 0) return <p className="quiet min-h-6 text-sm">{t('map.none')}</p>
  const own = answers?.filter(({ entryId }) => entryId === at?.entry) ?? []
  const said = own.map(({ given, outcome }, index) =>
    index > 0
      ? t('map.then', { outcome: t.coded(`cell.${outcome}`) })
      : given === '' || outcome === 'right'
        ? ''
        : t('map.given', { given }),
  )
  return (
    <p className="min-h-6 text-sm" aria-live="polite">
      {[
        t('map.here', {
          name: students[row]!.name,
          word: entries[column]!.text,
          cell: t(`cell.${cellOf(map[row]![column])}`),
        }),
        ...said.filter((part) => part !== ''),
      ].join(' · ')}
    </p>
  )
}
