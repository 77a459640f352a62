import { checkList, type EntryList } from '@otter/core'
import { useEffect, useRef, useState } from 'react'
import type { KeptOptions } from '../pages/list/games/gameChoice.ts'
import { openWorker, type WorkerClient } from '../ui/openWorker.ts'
import type { LookedOver } from './lookOver.ts'
import type { LookOverAnswer, LookOverRequest } from './lookOver.worker.ts'

/** Lists up to this size are looked over here when they are opened: it takes less than a worker needs to start. */
const SMALL = 150
/** Typing rests so long before a list is looked over again, in milliseconds. */
const RESTED = 120

/**
 * Looks a list over whenever it, or an option, has changed: in a web worker, so that no key ever waits for it. Returns
 * what was found last, and nothing that was not found yet: the games are fetched after the words are there.
 */
export function useLookedOver(list: EntryList, options: KeptOptions): Partial<LookedOver> {
  const [found, setFound] = useState<Partial<LookedOver>>(() =>
    list.entries.length <= SMALL ? { notes: checkList(list) } : {},
  )
  const client = useRef<WorkerClient<LookOverRequest> | undefined>(undefined)
  /** Looks over what is there now, which may be newer than what the worker was opened for. */
  const lookNow = useRef<() => void>(undefined)
  const [opened] = useState({ list, options })
  useEffect(() => () => client.current?.close(), [])
  useEffect(() => {
    let isLast = true
    const lookHere = (): void =>
      void import('./lookOver.ts').then(
        ({ lookOver }) => isLast && setFound(lookOver(list, options)),
        // The games could not be fetched: they are once there is a connection.
        () => isLast && addEventListener('online', lookHere, { once: true }),
      )
    lookNow.current = lookHere
    const ask = (): void => {
      client.current ??= openWorker<LookOverRequest, LookOverAnswer>(
        () => new Worker(new URL('./lookOver.worker.ts', import.meta.url), { type: 'module' }),
        {
          onAnswer: (answer) => setFound((before) => foundAfter(before, answer)),
          // The next change opens another; this one is looked over here, slower, but at all.
          onDied: () => {
            client.current = undefined
            lookNow.current?.()
          },
        },
      )
      client.current.ask({ list, options })
    }
    const isFirst = !client.current && opened.list === list && opened.options === options
    const isSmall = isFirst && list.entries.length <= SMALL
    // The first look waits for nothing.
    const timer = setTimeout(isSmall ? lookHere : ask, isFirst ? 0 : RESTED)
    return () => {
      isLast = false
      removeEventListener('online', lookHere)
      clearTimeout(timer)
    }
  }, [list, options, opened])
  return found
}

/** Returns what is known after an answer: what it leaves out is as it was, and the same object. */
function foundAfter(before: Partial<LookedOver>, { notes, fits }: LookOverAnswer): Partial<LookedOver> {
  if (notes === undefined && Object.keys(fits).length === 0) return before
  return { notes: notes ?? before.notes ?? [], fits: { ...before.fits, ...fits } as LookedOver['fits'] }
}
