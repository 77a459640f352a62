import type { ListReply, PlacedEntry, SaveList } from '@otter/api'
import { LIST_DETAILS, newEntry, type Entry, type ListDetails } from '@otter/core'
import { newId } from '../../../ui/newId.ts'

/** What of a list is edited on its page. */
export interface Draft extends ListDetails {
  entries: PlacedEntry[]
}

export function draftOf({ id: _, version: _version, ...draft }: ListReply): Draft {
  return draft
}

/** Returns what must be sent so that the saved draft becomes this one; undefined where nothing must. */
export function changesBetween(saved: Draft, draft: Draft): Omit<SaveList, 'version'> | undefined {
  const before = new Map(saved.entries.map((entry) => [entry.id, entry]))
  const now = new Set(draft.entries.map(({ id }) => id))
  const put = draft.entries.filter((entry) => !sameEntry(before.get(entry.id), entry))
  const remove = saved.entries.filter(({ id }) => !now.has(id)).map(({ id }) => id)
  const details = LIST_DETAILS.filter((name) => !same(saved[name], draft[name]))
  if (put.length === 0 && remove.length === 0 && details.length === 0) return undefined
  return { put, remove, ...Object.fromEntries(details.map((name) => [name, draft[name]])) }
}

function same(one: unknown, other: unknown): boolean {
  return one === other || (typeof one === 'object' && JSON.stringify(one) === JSON.stringify(other))
}

const FIELDS = [
  'position',
  'answer',
  'prompt',
  'accepted',
  'choices',
  'hint',
  'fact',
  'groups',
  'worth',
  'seconds',
  'scored',
  'standards',
  'originId',
] as const satisfies readonly (keyof PlacedEntry)[]

function sameEntry(one: PlacedEntry | undefined, other: PlacedEntry): boolean {
  return one === other || (one !== undefined && FIELDS.every((name) => same(one[name], other[name])))
}

/**
 * Returns where two drafts first differ: the row, by its place in the one after, and the field; undefined where their
 * entries are the same.
 */
export function placeOfChange(
  before: Draft,
  after: Draft,
): { row: number; field: (typeof FIELDS)[number] | undefined } | undefined {
  const length = Math.max(before.entries.length, after.entries.length)
  for (let row = 0; row < length; row++) {
    const [one, other] = [before.entries[row], after.entries[row]]
    if (one === other) continue
    if (one?.id !== other?.id) return { row: Math.min(row, after.entries.length), field: undefined }
    const field = FIELDS.find((name) => !same(one![name], other![name]))
    if (field) return { row, field }
  }
  return undefined
}

/** What was changed elsewhere and gave way to a change made here; it is offered back. */
export type Overruled =
  | { entry: PlacedEntry; removedHere: boolean }
  | { detail: keyof ListDetails; value: ListDetails[keyof ListDetails] }

export interface Rebased {
  draft: Draft
  overruled: Overruled[]
}

/**
 * Applies changes made here to a list that was changed elsewhere meanwhile. Fields that one side alone changed are all
 * taken; where both changed one, the change made here wins, being the newer, and the other is told.
 */
export function rebase(saved: Draft, draft: Draft, theirs: Draft): Rebased {
  const changes = changesBetween(saved, draft)
  if (!changes) return { draft: theirs, overruled: [] }
  const overruled: Overruled[] = []
  const base = new Map(saved.entries.map((entry) => [entry.id, entry]))
  const put = new Map(
    draft.entries.filter((entry) => !sameEntry(base.get(entry.id), entry)).map((entry) => [entry.id, entry]),
  )
  const removed = new Set(changes.remove)
  const kept = theirs.entries.flatMap((entry) => {
    const before = base.get(entry.id)
    const changed = put.get(entry.id)
    put.delete(entry.id)
    if (removed.has(entry.id)) {
      if (!sameEntry(before, entry)) overruled.push({ entry, removedHere: true })
      return []
    }
    if (!changed) return [entry]
    const changedThere = FIELDS.filter((name) => before !== undefined && !same(before[name], entry[name]))
    const merged = {
      ...changed,
      ...Object.fromEntries(
        changedThere.filter((name) => same(before?.[name], changed[name])).map((name) => [name, entry[name]]),
      ),
    }
    if (changedThere.some((name) => name !== 'position' && !same(merged[name], entry[name])))
      overruled.push({ entry, removedHere: false })
    return [merged]
  })
  const entries = [...kept, ...put.values()].sort(
    (one, other) => one.position - other.position || (one.id < other.id ? -1 : 1),
  )
  const details = Object.fromEntries(
    LIST_DETAILS.map((name) => {
      if (same(saved[name], draft[name])) return [name, theirs[name]]
      if (!same(saved[name], theirs[name]) && !same(draft[name], theirs[name]))
        overruled.push({ detail: name, value: theirs[name] })
      return [name, draft[name]]
    }),
  ) as unknown as ListDetails
  return { draft: { ...details, entries }, overruled }
}

/** Returns the entries with new rows put in before the row of the given index. */
export function insertRows(entries: readonly PlacedEntry[], index: number, rows: readonly Entry[]): PlacedEntry[] {
  const before = entries[index - 1]?.position ?? 0
  const after = entries[index]?.position ?? before + rows.length + 1
  const gap = (after - before) / (rows.length + 1)
  const made = rows.map((row, place): PlacedEntry => ({ ...row, position: before + gap * (place + 1) }))
  const all = [...entries.slice(0, index), ...made, ...entries.slice(index)]
  // After very many insertions in one place, doubles run out: then all rows are numbered anew.
  return gap > 1e-9 ? all : all.map((entry, place) => ({ ...entry, position: place + 1 }))
}

/** Returns the entries with some of them moved together to before the row of the given index. */
export function moveRows(entries: readonly PlacedEntry[], ids: ReadonlySet<string>, index: number): PlacedEntry[] {
  const moved = entries.filter(({ id }) => ids.has(id))
  const rest = entries.filter(({ id }) => !ids.has(id))
  const place = rest.length - entries.slice(index).filter(({ id }) => !ids.has(id)).length
  if (entries.indexOf(moved[0]!) === place && moved.every((entry, offset) => entries[place + offset] === entry))
    return [...entries]
  return insertRows(rest, place, moved)
}

/** Makes a row of two texts. */
export function rowOf(answer: string, prompt: string, id = newId()): Entry {
  return newEntry({ id, answer: { text: answer }, prompt: { text: prompt } })
}
