import type { PlayReply, SendMove } from '@otter/api'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiError, call } from '../../api/client.ts'

/** A link as this device sees it, and what can be done with it. */
export interface PlayState {
  reply: PlayReply | undefined
  problem: ApiError | undefined
  /** Moves that wait for an answer, and whether the connection is gone meanwhile. */
  waiting: boolean
  offline: boolean
  join: (name: string) => Promise<void>
  send: (move: unknown) => void
  again: () => Promise<void>
  leave: () => Promise<void>
  reload: () => void
}

const FIRST_WAIT = 1_000
const LONGEST_WAIT = 15_000

/** Follows one play: moves go out one after another, and are sent again until there is an answer. */
export function usePlay(code: string): PlayState {
  const [reply, setReply] = useState<PlayReply>()
  const [problem, setProblem] = useState<ApiError>()
  const [waiting, setWaiting] = useState(false)
  const [offline, setOffline] = useState(false)
  const queue = useRef<unknown[]>([])
  const sending = useRef(false)
  const latest = useRef<PlayReply>(undefined)
  const keep = useCallback((next: PlayReply): void => {
    latest.current = next
    setReply(next)
    setProblem(undefined)
  }, [])
  const fail = useCallback((error: unknown): void => {
    if (!(error instanceof ApiError)) throw error
    setProblem(error)
  }, [])
  const reload = useCallback((): void => {
    call<PlayReply>('GET', `/play/${code}`).then(keep, fail)
  }, [code, keep, fail])
  useEffect(reload, [reload])

  const drain = useCallback(async (): Promise<void> => {
    if (sending.current) return
    sending.current = true
    setWaiting(true)
    let wait = FIRST_WAIT
    while (queue.current.length > 0 && latest.current?.play) {
      const { attempt, moves } = latest.current.play
      const body: SendMove = { attempt, after: moves, move: queue.current[0] }
      try {
        keep(await call<PlayReply>('POST', `/play/${code}/moves`, body))
        queue.current.shift()
        setOffline(false)
        wait = FIRST_WAIT
      } catch (error) {
        if (error instanceof ApiError && error.status >= 400 && error.status < 500) {
          queue.current = []
          setProblem(error)
          break
        }
        setOffline(true)
        await new Promise((resolve) => {
          setTimeout(resolve, wait)
          addEventListener('online', resolve, { once: true })
        })
        wait = Math.min(LONGEST_WAIT, wait * 2)
      }
    }
    sending.current = false
    setWaiting(false)
  }, [code, keep])

  return {
    reply, problem, waiting, offline, reload,
    join: (name) => call<PlayReply>('POST', `/play/${code}/join`, { name }).then(keep, fail),
    send: (move) => {
      queue.current.push(move)
      void drain()
    },
    again: () => call<PlayReply>('POST', `/play/${code}/again`, {}).then(keep, fail),
    leave: () => call<void>('POST', `/play/${code}/leave`, {}).then(reload, fail),
  }
}
