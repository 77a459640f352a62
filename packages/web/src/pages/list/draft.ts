import type { ListReply, PlacedEntry, SaveList } from '@otter/api'

/** What of a list is edited on its page. */
export interface Draft {
  title: string
  answerLanguage: string
  promptLanguage: string
  entries: PlacedEntry[]
}

export function draftOf({ title, answerLanguage, promptLanguage, entries }: ListReply): Draft {
  return { title, answerLanguage, promptLanguage, entries }
}

/** Gives what must be sent so that the saved draft becomes this one; undefined where nothing must. */
export function changesBetween(saved: Draft, draft: Draft): Omit<SaveList, 'version'> | undefined {
  const before = new Map(saved.entries.map((entry) => [entry.id, entry]))
  const now = new Set(draft.entries.map(({ id }) => id))
  const put = draft.entries.filter((entry) => before.get(entry.id) !== entry && !sameEntry(before.get(entry.id), entry))
  const remove = saved.entries.filter(({ id }) => !now.has(id)).map(({ id }) => id)
  const fields = (['title', 'answerLanguage', 'promptLanguage'] as const).filter((name) => saved[name] !== draft[name])
  if (put.length === 0 && remove.length === 0 && fields.length === 0) return undefined
  return { put, remove, ...Object.fromEntries(fields.map((name) => [name, draft[name]])) }
}

function sameEntry(one: PlacedEntry | undefined, other: PlacedEntry): boolean {
  return one !== undefined && one.position === other.position && one.answer.text === other.answer.text && one.prompt.text === other.prompt.text
}

/** Applies changes made here to a list that was changed elsewhere meanwhile: rows touched here win, all others stay. */
export function rebase(saved: Draft, draft: Draft, theirs: Draft): Draft {
  const changes = changesBetween(saved, draft)
  if (!changes) return theirs
  const put = new Map((changes.put ?? []).map((entry) => [entry.id, entry]))
  const removed = new Set(changes.remove)
  const kept = theirs.entries.filter(({ id }) => !removed.has(id)).map((entry) => {
    const own = put.get(entry.id)
    put.delete(entry.id)
    return own ?? entry
  })
  const entries = [...kept, ...put.values()].sort((one, other) => one.position - other.position || (one.id < other.id ? -1 : 1))
  return { title: changes.title ?? theirs.title, answerLanguage: changes.answerLanguage ?? theirs.answerLanguage, promptLanguage: changes.promptLanguage ?? theirs.promptLanguage, entries }
}

/** A row to put in; its id is drawn where none is given. */
interface NewRow {
  id?: string
  answer: string
  prompt: string
}

/** Gives the entries with new rows put in before the row of the given index. */
export function insertRows(entries: readonly PlacedEntry[], index: number, rows: readonly NewRow[]): PlacedEntry[] {
  const before = entries[index - 1]?.position ?? 0
  const after = entries[index]?.position ?? before + rows.length + 1
  const gap = (after - before) / (rows.length + 1)
  const made = rows.map(({ id = crypto.randomUUID(), answer, prompt }, place) => ({ id, position: before + gap * (place + 1), answer: { text: answer }, prompt: { text: prompt } }))
  const all = [...entries.slice(0, index), ...made, ...entries.slice(index)]
  // After very many insertions in one place, doubles run out: then all rows are numbered anew.
  return gap > 1e-9 ? all : all.map((entry, place) => ({ ...entry, position: place + 1 }))
}
