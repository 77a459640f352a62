import type { ListReply, SavedReply } from '@otter/api'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiError, call } from '../../api/client.ts'
import { changesBetween, draftOf, rebase, type Draft } from './draft.ts'

type SaveState = 'saved' | 'saving' | 'failed'

export interface ListDraft {
  draft: Draft
  saveState: SaveState
  /** Why saving fails; it is tried again all the while. */
  problem: string | undefined
  /** `group`: edits of one group that follow each other are undone together. */
  edit: (change: (draft: Draft) => Draft, group?: string) => void
  undo: () => void
  redo: () => void
  canUndo: boolean
  canRedo: boolean
  /** Saves at once; true when all is saved. */
  flush: () => Promise<boolean>
}

/** How long after the last keystroke a save begins, and the waits between tries; in milliseconds. */
const PAUSE = 400
const FIRST_WAIT = 1_000
const LONGEST_WAIT = 20_000
const MAX_UNDO = 200
const KEPT = 'otter-draft-'

interface History {
  past: Draft[]
  now: Draft
  future: Draft[]
  group: string | undefined
}

/** Holds what is typed on a list's page: saves it as it changes, keeps it on this device until it is saved, and undoes. */
export function useListDraft(list: ListReply): ListDraft {
  const [history, setHistory] = useState<History>(() => ({ past: [], now: restored(list) ?? draftOf(list), future: [], group: undefined }))
  const [saveState, setSaveState] = useState<SaveState>('saved')
  const [problem, setProblem] = useState<string>()
  const saved = useRef({ draft: draftOf(list), version: list.version })
  const now = useRef(history.now)
  const running = useRef<Promise<boolean>>(undefined)
  useEffect(() => {
    now.current = history.now
  }, [history.now])

  const save = useCallback(async (): Promise<boolean> => {
    for (;;) {
      const sent = now.current
      const changes = changesBetween(saved.current.draft, sent)
      if (!changes) {
        localStorage.removeItem(KEPT + list.id)
        setSaveState('saved')
        setProblem(undefined)
        return true
      }
      setSaveState((before) => (before === 'failed' ? before : 'saving'))
      try {
        const { version } = await call<SavedReply>('PATCH', `/lists/${list.id}`, { version: saved.current.version, ...changes })
        saved.current = { draft: sent, version }
      } catch (error) {
        if (!(error instanceof ApiError)) throw error
        const theirs = error.status === 409 && error.path === 'version' ? await call<ListReply>('GET', `/lists/${list.id}`).catch(() => undefined) : undefined
        if (theirs) {
          const merged = rebase(saved.current.draft, now.current, draftOf(theirs))
          saved.current = { draft: draftOf(theirs), version: theirs.version }
          now.current = merged
          setHistory((before) => ({ ...before, now: merged }))
          continue
        }
        setSaveState('failed')
        setProblem(error.message)
        return false
      }
    }
  }, [list.id])

  const flush = useCallback((): Promise<boolean> => {
    running.current = (running.current ?? Promise.resolve(true)).then(save, save)
    return running.current
  }, [save])

  useEffect(() => {
    if (!changesBetween(saved.current.draft, history.now)) return
    keep(list.id, saved.current.draft, history.now)
    let wait = FIRST_WAIT
    let timer = setTimeout(function attempt() {
      void flush().then((done) => {
        if (done) return
        timer = setTimeout(attempt, wait)
        wait = Math.min(LONGEST_WAIT, wait * 2)
      })
    }, PAUSE)
    return () => clearTimeout(timer)
  }, [history.now, flush, list.id])

  useEffect(() => {
    const leave = (): void => {
      const changes = changesBetween(saved.current.draft, now.current)
      // What is too large for this last call stays in the kept draft.
      if (changes) call('PATCH', `/lists/${list.id}`, { version: saved.current.version, ...changes }, true).catch(() => undefined)
    }
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      void flush()
    }
  }, [list.id, flush])

  const edit = useCallback((change: (draft: Draft) => Draft, group?: string): void => {
    setHistory((before) => {
      const next = change(before.now)
      if (next === before.now) return before
      const joins = group !== undefined && group === before.group
      return { past: joins ? before.past : [...before.past, before.now].slice(-MAX_UNDO), now: next, future: [], group }
    })
  }, [])
  const undo = useCallback((): void => {
    setHistory(({ past, now: current, future, group }) => (past.length === 0 ? { past, now: current, future, group } : { past: past.slice(0, -1), now: past[past.length - 1], future: [current, ...future], group: undefined }))
  }, [])
  const redo = useCallback((): void => {
    setHistory(({ past, now: current, future, group }) => (future.length === 0 ? { past, now: current, future, group } : { past: [...past, current], now: future[0], future: future.slice(1), group: undefined }))
  }, [])
  return { draft: history.now, saveState, problem, edit, undo, redo, canUndo: history.past.length > 0, canRedo: history.future.length > 0, flush }
}

/** Keeps an unsaved draft on this device, and what it grew from; a device without room keeps none. */
function keep(listId: string, saved: Draft, draft: Draft): void {
  try {
    localStorage.setItem(KEPT + listId, JSON.stringify({ saved, draft }))
  } catch (error) {
    console.warn('no room to keep the draft on this device', error)
  }
}

/** A draft that a closed window left unsaved, on top of what was saved elsewhere since. */
function restored(list: ListReply): Draft | undefined {
  const kept = localStorage.getItem(KEPT + list.id)
  if (kept === null) return undefined
  const { saved, draft } = JSON.parse(kept) as { saved: Draft; draft: Draft }
  return rebase(saved, draft, draftOf(list))
}
