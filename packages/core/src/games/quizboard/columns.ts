import type { Entry, EntryList } from '../../list/entry.ts'
import { askable } from '../../wall/askable.ts'
import type { FitNote } from '../contract.ts'
import type { QuizboardOptions } from './options.ts'

/** A column about to become one of the board. */
interface DraftColumn {
  name: string
  entries: Entry[]
}

/** Columns with what is to be said of them, and entries that no column has. */
export interface Columns {
  columns: DraftColumn[]
  rest: Entry[]
  notes: FitNote[]
}

/** Returns the columns that a list makes: as they were laid, by its groups, or one after the other. */
export function columnsOf(list: EntryList, options: QuizboardOptions): Columns {
  const { entries, notes } = askable(list)
  const made =
    options.laid.length > 0
      ? laidColumns(entries, options)
      : entries.some(({ groups }) => groups.length > 0)
        ? groupedColumns(entries, options)
        : { columns: inOrder(entries, options), thin: [], isGrouped: false }
  const columns = made.columns.filter((column) => column.entries.length > 0)
  const taken = new Set(columns.flatMap((column) => column.entries.map(({ id }) => id)))
  const isBare = options.laid.length === 0 && !entries.some(({ groups }) => groups.length > 0)
  return {
    columns,
    rest: entries.filter(({ id }) => !taken.has(id)),
    notes: [
      ...notes,
      ...(isBare && columns.length > 0 ? [{ code: 'no-groups', entryIds: [], values: {} }] : []),
      ...made.thin.map(({ name, missing }) => ({
        code: 'thin',
        entryIds: [],
        values: { group: name, count: missing },
      })),
    ],
  }
}

interface Made {
  columns: DraftColumn[]
  thin: { name: string; missing: number }[]
}

function laidColumns(entries: readonly Entry[], { laid, tiles, fill }: QuizboardOptions): Made {
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  const columns = laid.map(({ name, entryIds }) => ({
    name,
    entries: entryIds.flatMap((id) => {
      const entry = byId.get(id)
      // An entry is asked once, whichever column it was laid in twice.
      byId.delete(id)
      return entry ? [entry] : []
    }),
  }))
  return filled(columns, [...byId.values()], tiles, fill)
}

/**
 * Gives each entry to one of its groups, so that as many places of the board as possible are taken (augmenting paths,
 * Kuhn 1955); the groups with most entries become columns, in the order of the list.
 */
function groupedColumns(entries: readonly Entry[], { columns: most, tiles, fill }: QuizboardOptions): Made {
  const sizes = new Map<string, number>()
  for (const { groups } of entries) for (const group of groups) sizes.set(group, (sizes.get(group) ?? 0) + 1)
  const names = [...sizes.keys()]
  const chosen = [...names]
    .sort((one, other) => Math.min(tiles, sizes.get(other)!) - Math.min(tiles, sizes.get(one)!))
    .slice(0, most)
  const columns = names.filter((name) => chosen.includes(name)).map((name): DraftColumn => ({ name, entries: [] }))
  const byName = new Map(columns.map((column) => [column.name, column]))
  const place = (entry: Entry, tried: Set<string>): boolean => {
    for (const group of entry.groups) {
      const column = byName.get(group)
      if (!column || tried.has(group)) continue
      tried.add(group)
      if (column.entries.length < tiles) {
        column.entries.push(entry)
        return true
      }
      const moved = column.entries.findIndex((other) => place(other, tried))
      if (moved < 0) continue
      column.entries[moved] = entry
      return true
    }
    return false
  }
  const left = entries.filter((entry) => !place(entry, new Set()))
  return filled(columns, left, tiles, fill)
}

/** Fills thin columns, where that is wished; says which stay thin. */
function filled(columns: readonly DraftColumn[], left: readonly Entry[], tiles: number, fill: boolean): Made {
  const spare = [...left]
  const full = columns.map(({ name, entries }) => ({
    name,
    entries: [...entries, ...(fill ? spare.splice(0, Math.max(0, tiles - entries.length)) : [])].slice(0, tiles),
  }))
  const thin = full.flatMap(({ name, entries }) =>
    entries.length < tiles ? [{ name, missing: tiles - entries.length }] : [],
  )
  return { columns: full, thin }
}

/** Cuts a list without groups into columns without names, as equal as they can be. */
function inOrder(entries: readonly Entry[], { columns: most, tiles }: QuizboardOptions): DraftColumn[] {
  const count = Math.max(1, Math.min(most, Math.floor(entries.length / tiles)))
  return Array.from({ length: count }, (_, column) => ({
    name: '',
    entries: entries.slice(column * tiles, (column + 1) * tiles),
  }))
}
