import type { ListReply, SavedReply, VersionReply } from '@otter/api'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { ApiError, call } from '../../../api/client.ts'
import { queryClient } from '../../../api/queries.ts'
import { changesBetween, draftOf, rebase, type Draft, type Overruled } from './draft.ts'
import { forgetDraft, keepDraft, takeDrafts } from './keptDraft.ts'

type SaveState = 'saved' | 'saving' | 'failed'

export interface ListDraft {
  draft: Draft
  saveState: SaveState
  /** Why saving fails; it is tried again all the while. */
  problem: string | undefined
  /** Changes made elsewhere that gave way to ones made here. */
  overruled: Overruled[]
  /** Takes an offered change off the list of them. */
  settle: (one: Overruled) => void
  /**
   * `group`: edits of one group that follow each other are undone together. `pace`: an edit that a field shows by
   * itself
   * already can be drawn `later`, so that typing is never held up; it is saved all the same.
   */
  edit: (change: (draft: Draft) => Draft, group?: string, pace?: 'now' | 'later') => void
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

/** What was being tried and failed is said until it has worked. */
const unsaved = (before: SaveState): SaveState => (before === 'failed' ? before : 'saving')

interface History {
  past: Draft[]
  now: Draft
  future: Draft[]
  group: string | undefined
}

/**
 * Holds what is typed on a list's page: saves it as it changes, keeps it on this device until it is saved, and undoes.
 */
export function useListDraft(list: ListReply): ListDraft {
  const [start] = useState(() => restored(list))
  const [history, setHistory] = useState<History>({ past: [], now: start.draft, future: [], group: undefined })
  const [saveState, setSaveState] = useState<SaveState>('saved')
  const [problem, setProblem] = useState<string>()
  const [overruled, setOverruled] = useState<Overruled[]>(start.overruled)
  const saved = useRef({ draft: draftOf(list), version: list.version })
  const now = useRef(history.now)
  const running = useRef<Promise<boolean>>(undefined)
  /** Puts what was typed here on top of what was saved elsewhere. */
  const merge = useCallback((theirs: ListReply): void => {
    const base = saved.current.draft
    const their = draftOf(theirs)
    const { draft, overruled: gaveWay } = rebase(base, now.current, their)
    saved.current = { draft: their, version: theirs.version }
    now.current = draft
    // What can be undone to must not take back what others did.
    const carried = (one: Draft): Draft => rebase(base, one, their).draft
    setHistory((before) => ({
      ...before,
      past: before.past.map(carried),
      now: draft,
      future: before.future.map(carried),
    }))
    if (gaveWay.length > 0) setOverruled((before) => [...before, ...gaveWay])
  }, [])

  const save = useCallback(async (): Promise<boolean> => {
    for (;;) {
      const sent = now.current
      const changes = changesBetween(saved.current.draft, sent)
      if (!changes) {
        forgetDraft(list.id)
        setSaveState('saved')
        setProblem(undefined)
        return true
      }
      setSaveState(unsaved)
      try {
        const { version } = await call<SavedReply>('PATCH', `/lists/${list.id}`, {
          version: saved.current.version,
          ...changes,
        })
        saved.current = { draft: sent, version }
      } catch (error) {
        if (!(error instanceof ApiError)) throw error
        const theirs =
          error.status === 409 && error.path === 'version'
            ? await call<ListReply>('GET', `/lists/${list.id}`).catch(() => undefined)
            : undefined
        if (theirs) {
          merge(theirs)
          continue
        }
        keepDraft(list.id, saved.current.draft, now.current)
        setSaveState('failed')
        setProblem(error.message)
        return false
      }
    }
  }, [list.id, merge])

  /** Runs one task after another, so that no two see the list in different states. */
  const inTurn = useCallback((task: () => Promise<boolean>): Promise<boolean> => {
    running.current = (running.current ?? Promise.resolve(true)).then(task, task)
    return running.current
  }, [])
  const flush = useCallback((): Promise<boolean> => inTurn(save), [inTurn, save])

  useEffect(() => {
    let wait = FIRST_WAIT
    let timer = setTimeout(function attempt() {
      if (wait === FIRST_WAIT && changesBetween(saved.current.draft, now.current))
        keepDraft(list.id, saved.current.draft, now.current)
      void flush().then((done) => {
        if (done) return
        timer = setTimeout(attempt, wait)
        wait = Math.min(LONGEST_WAIT, wait * 2)
      })
    }, PAUSE)
    return () => clearTimeout(timer)
  }, [history.now, flush, list.id])

  useEffect(() => {
    const look = (): void => {
      if (document.visibilityState !== 'visible') return
      void inTurn(async () => {
        const version = await call<VersionReply>('GET', `/lists/${list.id}/version`).catch(() => undefined)
        if (version === undefined || version.version <= saved.current.version) return true
        const theirs = await call<ListReply>('GET', `/lists/${list.id}`).catch(() => undefined)
        if (theirs) merge(theirs)
        return true
      })
    }
    const leave = (): void => {
      const changes = changesBetween(saved.current.draft, now.current)
      if (!changes) return
      keepDraft(list.id, saved.current.draft, now.current, true)
      // What is too large for this last call stays in the kept draft.
      call('PATCH', `/lists/${list.id}`, { version: saved.current.version, ...changes }, true).catch(() => undefined)
    }
    addEventListener('focus', look)
    document.addEventListener('visibilitychange', look)
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('focus', look)
      document.removeEventListener('visibilitychange', look)
      removeEventListener('pagehide', leave)
      void flush().then(() => queryClient.invalidateQueries({ queryKey: ['lists'] }))
    }
  }, [list.id, flush, inTurn, merge])

  const edit = useCallback((change: (draft: Draft) => Draft, group?: string, pace: 'now' | 'later' = 'now'): void => {
    const next = change(now.current)
    if (next === now.current) return
    now.current = next
    setSaveState(unsaved)
    const record = (): void =>
      setHistory((before) => {
        const joins = group !== undefined && group === before.group
        return {
          past: joins ? before.past : [...before.past, before.now].slice(-MAX_UNDO),
          now: next,
          future: [],
          group,
        }
      })
    if (pace === 'later') startTransition(record)
    else record()
  }, [])
  const goTo = useCallback((step: (before: History) => History): void => {
    setHistory((before) => {
      const after = step(before)
      now.current = after.now
      return after
    })
    setSaveState(unsaved)
  }, [])
  const undo = useCallback(
    (): void =>
      goTo((before) => {
        const { past, now: current, future } = before
        return past.length === 0
          ? before
          : { past: past.slice(0, -1), now: past[past.length - 1]!, future: [current, ...future], group: undefined }
      }),
    [goTo],
  )
  const redo = useCallback(
    (): void =>
      goTo((before) => {
        const { past, now: current, future } = before
        return future.length === 0
          ? before
          : { past: [...past, current], now: future[0]!, future: future.slice(1), group: undefined }
      }),
    [goTo],
  )
  const settle = useCallback(
    (one: Overruled): void => setOverruled((before) => before.filter((other) => other !== one)),
    [],
  )
  return {
    draft: history.now,
    saveState,
    problem,
    overruled,
    settle,
    edit,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    flush,
  }
}

/** The list with the drafts that closed windows left unsaved, on top of what was saved elsewhere since. */
function restored(list: ListReply): { draft: Draft; overruled: Overruled[] } {
  return takeDrafts(list.id).reduce(
    (before, { saved, draft }) => {
      const next = rebase(saved, draft, before.draft)
      return { draft: next.draft, overruled: [...before.overruled, ...next.overruled] }
    },
    { draft: draftOf(list), overruled: [] as Overruled[] },
  )
}
