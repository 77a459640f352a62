import type { EntryList } from '@otter/core'
import { useEffect, useRef, useState } from 'react'
import { openWorker, type WorkerClient } from '../ui/openWorker.ts'
import { lookOver, type AllOptions, type LookedOver } from './lookOver.ts'
import type { LookOverAnswer, LookOverRequest } from './lookOver.worker.ts'

/** Lists up to this size are looked over at once when they are opened: it takes less than a worker needs to start. */
const SMALL = 150
/** Typing rests so long before a list is looked over again, in milliseconds. */
const RESTED = 120

/**
 * Looks a list over whenever it, or an option, has changed: in a web worker, so that no key ever waits for it. Returns
 * what was found last; undefined until something was.
 */
export function useLookedOver(list: EntryList, options: AllOptions): LookedOver | undefined {
  const [found, setFound] = useState(() => (list.entries.length <= SMALL ? lookOver(list, options) : undefined))
  const client = useRef<WorkerClient<LookOverRequest> | undefined>(undefined)
  const [opened] = useState({ list, options })
  useEffect(() => () => client.current?.close(), [])
  useEffect(() => {
    const isFirst = !client.current && opened.list === list && opened.options === options
    if (isFirst && list.entries.length <= SMALL) return
    const ask = (): void => {
      client.current ??= openWorker<LookOverRequest, LookOverAnswer>(
        () => new Worker(new URL('./lookOver.worker.ts', import.meta.url), { type: 'module' }),
        {
          onAnswer: (answer) => setFound((before) => foundAfter(before, answer)),
          // The next change opens another; this one is looked over here, slower, but at all.
          onDied: () => {
            client.current = undefined
            setFound(lookOver(list, options))
          },
        },
      )
      client.current.ask({ list, options })
    }
    // The first look at a large list waits for nothing.
    const timer = setTimeout(ask, isFirst ? 0 : RESTED)
    return () => clearTimeout(timer)
  }, [list, options, opened])
  return found
}

/** Returns what is known after an answer: what it leaves out is as it was, and the same object. */
function foundAfter(before: LookedOver | undefined, { notes, fits }: LookOverAnswer): LookedOver | undefined {
  if (notes === undefined && Object.keys(fits).length === 0) return before
  return { notes: notes ?? before?.notes ?? [], fits: { ...before?.fits, ...fits } as LookedOver['fits'] }
}
