import { GAME_KINDS, type EntryList } from '@otter/core'
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
  const number = useRef(0)
  // What was looked over at once, as the page was opened.
  const [opened] = useState({ list, options })
  useEffect(() => () => client.current?.close(), [])
  useEffect(() => {
    const isFirst = opened.list === list && opened.options === options
    if (isFirst && list.entries.length <= SMALL && number.current === 0) return
    const ask = (): void => {
      client.current ??= openWorker<LookOverRequest, LookOverAnswer>(
        () => new Worker(new URL('./lookOver.worker.ts', import.meta.url), { type: 'module' }),
        {
          onAnswer: (answer) =>
            setFound((before) => {
              const isWhole = answer.notes !== undefined && GAME_KINDS.every((kind) => answer.fits[kind] !== undefined)
              if (!before && !isWhole) return before
              if (answer.notes === undefined && Object.keys(answer.fits).length === 0) return before
              return {
                notes: answer.notes ?? before?.notes ?? [],
                fits: { ...before?.fits, ...answer.fits } as LookedOver['fits'],
              }
            }),
          // The next change opens another.
          onDied: () => (client.current = undefined),
        },
      )
      client.current.ask({ number: ++number.current, list, options })
    }
    // The first look at a large list waits for nothing.
    const timer = setTimeout(ask, isFirst ? 0 : RESTED)
    return () => clearTimeout(timer)
  }, [list, options, opened])
  return found
}
