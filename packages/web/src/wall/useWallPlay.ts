import type { ActAtWall, WallPlayReply } from '@otter/api'
import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiError } from '../api/client.ts'
import { sendAct, useWallReply, wallKey, type WallSource } from '../api/wall.ts'
import { useSocket } from '../live/useSocket.ts'
import { newId } from '../ui/newId.ts'

/** How long is waited before something is sent again that had no answer, in milliseconds. */
const AGAIN = 1000

/** A game on the wall, and how it is steered. */
export interface WallPlay {
  state: WallPlayReply | undefined
  /** Why something was refused; a connection that is gone is none. */
  error: Error | null
  /** Whether there is no connection just now: what is done waits for one. */
  isCutOff: boolean
  act: (act: ActAtWall['act']) => void
}

/**
 * Shows and steers a game on the wall. What is done is sent in its order, each as meant for what stood there then, and
 * again until there is an answer: the server does it once.
 */
export function useWallPlay(source: WallSource): WallPlay {
  const client = useQueryClient()
  const { path, query, token } = source
  const { socket, connected } = useSocket(`${path}/pass`, token)
  const { data, error } = useWallReply(source, connected)
  const [isCutOff, setCutOff] = useState(false)
  const [refusal, setRefusal] = useState<Error | null>(null)
  const turn = useRef(Promise.resolve())
  useEffect(() => {
    const look = (): void => void client.invalidateQueries({ queryKey: wallKey({ path, query, token }) })
    if (connected) look()
    return socket?.on('again', look)
  }, [socket, connected, client, path, query, token])
  const act = useCallback(
    (what: ActAtWall['act']): void => {
      const here: WallSource = { path, query, token }
      const id = newId()
      turn.current = turn.current.then(async () => {
        const seen = client.getQueryData<WallPlayReply>(wallKey(here))
        if (!seen) return
        for (;;) {
          try {
            const reply = await sendAct(here, { id, after: seen.revision, act: what })
            await client.cancelQueries({ queryKey: wallKey(here) })
            client.setQueryData(wallKey(here), reply)
            setRefusal(null)
            return setCutOff(false)
          } catch (failure) {
            if (isRefusal(failure)) return setRefusal(failure)
            setCutOff(true)
            await new Promise((resolve) => setTimeout(resolve, AGAIN))
          }
        }
      })
    },
    [client, path, query, token],
  )
  const isAway = error !== null && !isRefusal(error)
  return { state: data, error: refusal ?? (isAway && data ? null : error), isCutOff: isCutOff || isAway, act }
}

/** Whether the server has said no, and would say so again. */
function isRefusal(failure: unknown): failure is ApiError {
  return failure instanceof ApiError && failure.status > 0 && failure.status < 500
}
