import type { Draft } from './draft.ts'

const MAX_UNDO = 200

/** A draft, what it was, and what it was before that was taken back. */
export interface History {
  past: Draft[]
  now: Draft
  future: Draft[]
  /** What the last edit belongs to: edits of one group that follow each other are undone together. */
  group: string | undefined
}

/** Returns the history of a draft that nobody has changed yet. */
export function beginHistory(draft: Draft): History {
  return { past: [], now: draft, future: [], group: undefined }
}

/** Returns the history after an edit. */
export function record(before: History, next: Draft, group: string | undefined): History {
  const joins = group !== undefined && group === before.group
  return {
    past: joins ? before.past : [...before.past, before.now].slice(-MAX_UNDO),
    now: next,
    future: [],
    group,
  }
}

/** Returns the history one step back; the very same where there is none. */
export function undone(before: History): History {
  const last = before.past.at(-1)
  return last === undefined
    ? before
    : { past: before.past.slice(0, -1), now: last, future: [before.now, ...before.future], group: undefined }
}

/** Returns the history one step forth; the very same where there is none. */
export function redone(before: History): History {
  const [next, ...future] = before.future
  return next === undefined ? before : { past: [...before.past, before.now], now: next, future, group: undefined }
}

/** Returns the history with a change from elsewhere in all its steps: undoing must not take back what others did. */
export function carried(before: History, now: Draft, carry: (step: Draft) => Draft): History {
  return { ...before, past: before.past.map(carry), now, future: before.future.map(carry) }
}
