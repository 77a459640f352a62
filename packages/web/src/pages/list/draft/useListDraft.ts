import type { ListReply, VersionReply } from '@otter/api'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import { call } from '../../../api/client.ts'
import { queryClient } from '../../../api/queryClient.ts'
import { draftOf, rebase, type Draft, type Overruled } from './draft.ts'
import { DraftSync, type SaveState } from './draftSync.ts'
import { beginHistory, carried, record, redone, undone, type History } from './history.ts'
import { forgetDraft, keepDraft, takeDrafts } from './keptDraft.ts'

/** A draft before and after a step. */
interface DraftStep {
  before: Draft
  after: Draft
}

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
   * itself already can be drawn `later`, so that typing is never held up; it is saved all the same.
   */
  edit: (change: (draft: Draft) => Draft, group?: string, pace?: 'now' | 'later') => void
  /** Takes the last step back; returns the draft before and after, undefined where there is none. */
  undo: () => DraftStep | undefined
  redo: () => DraftStep | undefined
  canUndo: boolean
  canRedo: boolean
  /** Saves at once; true when all is saved. */
  flush: () => Promise<boolean>
}

/**
 * Holds what is typed on a list's page: saves it as it changes, keeps it on this device until it is saved, and undoes.
 */
export function useListDraft(list: ListReply): ListDraft {
  const [start] = useState(() => restored(list))
  const [history, setHistory] = useState(() => beginHistory(start.draft))
  // What the next step builds on, also while an edit that can be drawn later is not drawn yet.
  const latest = useRef(history)
  const show = useCallback((next: History, pace: 'now' | 'later'): void => {
    latest.current = next
    if (pace === 'later') startTransition(() => setHistory(next))
    else setHistory(next)
  }, [])
  const [{ saveState, problem }, setState] = useState<{ saveState: SaveState; problem?: string }>({
    saveState: 'saved',
  })
  const [overruled, setOverruled] = useState<Overruled[]>(start.overruled)
  const [sync] = useState(() => {
    const path = `/lists/${list.id}`
    return new DraftSync(list, start.draft, {
      save: (changes, closing) => call<VersionReply>('PATCH', path, changes, closing),
      load: () => call<ListReply>('GET', path),
      loadVersion: () => call<VersionReply>('GET', `${path}/version`),
      keep: (saved, draft, closing) => keepDraft(list.id, saved, draft, closing),
      forget: () => forgetDraft(list.id),
      later: (milliseconds, act) => {
        const timer = setTimeout(act, milliseconds)
        return () => clearTimeout(timer)
      },
      // The same state again draws nothing.
      onState: (next, why) =>
        setState((before) =>
          before.saveState === next && before.problem === why ? before : { saveState: next, problem: why },
        ),
      onMerge: (draft, gaveWay, carry) => {
        show(carried(latest.current, draft, carry), 'now')
        if (gaveWay.length > 0) setOverruled((before) => [...before, ...gaveWay])
      },
    })
  })
  useEffect(() => {
    // Games that were made of earlier words are out of date from this moment.
    if (saveState === 'saved') void queryClient.invalidateQueries({ queryKey: ['offers', list.id] })
  }, [saveState, list.id])
  useEffect(() => {
    const look = (): void => {
      if (document.visibilityState === 'visible') void sync.look()
    }
    const leave = (): void => sync.leave()
    sync.saveSoon()
    addEventListener('focus', look)
    document.addEventListener('visibilitychange', look)
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('focus', look)
      document.removeEventListener('visibilitychange', look)
      removeEventListener('pagehide', leave)
      void sync.close().then(() => queryClient.invalidateQueries({ queryKey: ['lists'] }))
    }
  }, [sync])

  const edit = useCallback(
    (change: (draft: Draft) => Draft, group?: string, pace: 'now' | 'later' = 'now'): void => {
      const next = change(sync.now)
      if (next === sync.now) return
      sync.change(next)
      show(record(latest.current, next, group), pace)
    },
    [sync, show],
  )
  const step = useCallback(
    (take: (before: History) => History): DraftStep | undefined => {
      const before = latest.current
      const after = take(before)
      if (after === before) return undefined
      sync.change(after.now)
      show(after, 'now')
      return { before: before.now, after: after.now }
    },
    [sync, show],
  )
  const undo = useCallback(() => step(undone), [step])
  const redo = useCallback(() => step(redone), [step])
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
    flush: () => sync.flush(),
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
