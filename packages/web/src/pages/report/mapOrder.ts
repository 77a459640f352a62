import type { ReportReply } from '@otter/api'
import { cellOf, orderBy, shareOfRow, type MapOrder } from '@otter/core/results'

/** By what students, or entries, stand in a map: a whole order, or one of the other side. */
export type MapSorting = { order: MapOrder } | { by: number }

/** What is sorted how, and which part of it is shown. */
export interface MapState {
  students: MapSorting
  entries: MapSorting
  /** The first student and entry that are shown, in their order. */
  firstStudent: number
  firstEntry: number
}

export type MapAct =
  | { type: 'sort'; side: 'students' | 'entries'; sorting: MapSorting }
  | { type: 'page'; side: 'students' | 'entries'; first: number }

export const START: MapState = {
  students: { order: 'given' },
  entries: { order: 'weakest' },
  firstStudent: 0,
  firstEntry: 0,
}

/** Returns the next state of a map: what is sorted anew is shown from its beginning. */
export function mapReducer(state: MapState, act: MapAct): MapState {
  const first = act.side === 'students' ? 'firstStudent' : 'firstEntry'
  return act.type === 'sort'
    ? { ...state, [act.side]: act.sorting, [first]: 0 }
    : { ...state, [first]: Math.max(0, act.first) }
}

/** How much a cell counts where one row, or column, is sorted by: what needs a look stands first. */
const WEIGHT = { wrong: 0, passed: 1, mended: 2, right: 3, 'not-reached': 4, 'not-asked': 5 } as const

/** Returns the places of students and of entries in the order in which a map shows them. */
export function orderOf(
  { students, entries }: Pick<MapState, 'students' | 'entries'>,
  report: Pick<ReportReply, 'entries'> & { map: readonly string[] },
): { rows: number[]; columns: number[] } {
  const { map } = report
  const byCell = (places: number, letterOf: (place: number) => string | undefined): number[] =>
    Array.from({ length: places }, (_, place) => place).sort(
      (one, other) => WEIGHT[cellOf(letterOf(one))] - WEIGHT[cellOf(letterOf(other))] || one - other,
    )
  const shares = report.entries.map(({ right, wrong, passed }) => {
    const met = right + wrong + passed
    return met === 0 ? null : right / met
  })
  const columnBy = 'by' in students ? students.by : -1
  const rowBy = 'by' in entries ? entries.by : -1
  return {
    rows:
      'order' in students
        ? orderBy(map.map(shareOfRow), students.order)
        : columnBy < report.entries.length
          ? byCell(map.length, (row) => map[row]![columnBy])
          : [...map.keys()],
    columns:
      'order' in entries
        ? orderBy(shares, entries.order)
        : rowBy < map.length
          ? byCell(report.entries.length, (column) => map[rowBy]![column])
          : [...report.entries.keys()],
  }
}
