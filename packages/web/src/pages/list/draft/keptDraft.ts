import { upgradedEntry } from '@otter/core'
import { newId } from '../../../ui/newId.ts'
import type { Draft } from './draft.ts'

const KEPT = 'otter-draft-'
/** A window that is open and can't save keeps its draft again at least this often; in milliseconds. */
const ALIVE = 60_000

interface Kept {
  saved: Draft
  draft: Draft
  at: number
}

/** Names this window, also after it is loaded again. */
function windowName(): string {
  let name = sessionStorage.getItem('otter-window')
  if (name === null) sessionStorage.setItem('otter-window', (name = newId()))
  return name
}

const keyOf = (listId: string): string => `${KEPT}${listId}-${windowName()}`

/**
 * Keeps an unsaved draft on this device, and what it grew from; a device without room keeps none. What a closing window
 * keeps is free for the next one at once.
 */
export function keepDraft(listId: string, saved: Draft, draft: Draft, closing = false): void {
  try {
    localStorage.setItem(keyOf(listId), JSON.stringify({ saved, draft, at: closing ? 0 : Date.now() } satisfies Kept))
  } catch (error) {
    console.warn('no room to keep the draft on this device', error)
  }
}

export function forgetDraft(listId: string): void {
  localStorage.removeItem(keyOf(listId))
}

/** A draft may have been kept by an earlier version of this page. */
function upgraded(draft: Draft): Draft {
  return { ...draft, entries: draft.entries.map(upgradedEntry) }
}

/** Takes the drafts of a list that this window, or windows closed since, left unsaved; the oldest first. */
export function takeDrafts(listId: string): Kept[] {
  const thisKey = keyOf(listId)
  const taken: Kept[] = []
  for (const key of Object.keys(localStorage).filter((one) => one.startsWith(`${KEPT}${listId}-`))) {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null
    if (kept === null || (key !== thisKey && Date.now() - kept.at < ALIVE)) continue
    taken.push({ ...kept, saved: upgraded(kept.saved), draft: upgraded(kept.draft) })
    if (key !== thisKey) localStorage.removeItem(key)
  }
  return taken.sort((one, other) => one.at - other.at)
}
