import type { EntryList } from '@otter/core'
import type { KeptOptions } from '../pages/list/games/gameChoice.ts'
import { lookOver, type LookedOver } from './lookOver.ts'

/** A list to look over. */
export interface LookOverRequest {
  list: EntryList
  options: KeptOptions
}

/** What was found; parts that are as they were before are left out, so that nothing is drawn again for them. */
export interface LookOverAnswer {
  notes: LookedOver['notes'] | undefined
  fits: Partial<LookedOver['fits']>
}

const before = new Map<string, string>()

/** Tells whether a part differs from what it was when it was last sent. */
function isNew(name: string, part: unknown): boolean {
  const text = JSON.stringify(part)
  const differs = before.get(name) !== text
  before.set(name, text)
  return differs
}

addEventListener('message', ({ data: { list, options } }: MessageEvent<LookOverRequest>) => {
  const { notes, fits } = lookOver(list, options)
  postMessage({
    notes: isNew('notes', notes) ? notes : undefined,
    fits: Object.fromEntries(Object.entries(fits).filter(([kind, fit]) => isNew(kind, fit))),
  } satisfies LookOverAnswer)
})
