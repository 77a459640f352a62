import type { PlayReply, SendMove } from '@otter/api'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiError, call } from '../../api/client.ts'
import { keepMoves, keptMoves } from './keptMoves.ts'

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

/** Follows one play: moves go out one after another, and are sent again until there is an answer, even after the page was closed. */
export function usePlay(code: string): PlayState {
  const [reply, setReply] = useState<PlayReply>()
  const [problem, setProblem] = useState<ApiError>()
  const [waiting, setWaiting] = useState(false)
  const [offline, setOffline] = useState(false)
  const queue = useRef<SendMove[]>([])
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
  const drain = useCallback(async (): Promise<void> => {
    if (sending.current) return
    sending.current = true
    setWaiting(true)
    let wait = FIRST_WAIT
    while (queue.current.length > 0 && latest.current?.play) {
      try {
        keep(await call<PlayReply>('POST', `/play/${code}/moves`, queue.current[0]))
        queue.current.shift()
        keepMoves(code, queue.current)
        setOffline(false)
        wait = FIRST_WAIT
      } catch (error) {
        if (error instanceof ApiError && error.status >= 400 && error.status < 500) {
          queue.current = []
          keepMoves(code, [])
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
  const reload = useCallback((): void => {
    call<PlayReply>('GET', `/play/${code}`).then((next) => {
      keep(next)
      if (queue.current.length === 0 && next.play) queue.current = keptMoves(code, next.play.attempt)
      void drain()
    }, fail)
  }, [code, keep, fail, drain])
  useEffect(reload, [reload])
  const send = useCallback((move: unknown): void => {
    const play = latest.current?.play
    if (!play) return
    const last = queue.current.at(-1)
    queue.current.push({ attempt: play.attempt, after: last ? last.after + 1 : play.moves, move })
    keepMoves(code, queue.current)
    void drain()
  }, [code, drain])

  return {
    reply, problem, waiting, offline, reload, send,
    join: (name) => call<PlayReply>('POST', `/play/${code}/join`, { name }).then(keep, fail),
    again: () => call<PlayReply>('POST', `/play/${code}/again`, {}).then(keep, fail),
    leave: () => {
      // What is not yet sent belongs to the one who leaves, not to the next one at this device.
      queue.current = []
      keepMoves(code, [])
      return call<void>('POST', `/play/${code}/leave`, {}).then(reload, fail)
    },
  }
}
