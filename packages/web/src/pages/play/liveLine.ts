import type { PlayReply, ProblemDetails, RankNews, SendMove } from '@otter/api'
import { useEffect, type RefObject } from 'react'
import { ApiError, call } from '../../api/client.ts'
import type { LiveConnection } from '../../live/liveConnection.ts'
import type { LiveSocket } from '../../live/useSocket.ts'
import { isOlder } from './isOlder.ts'
import type { MoveQueue } from './moveQueue.ts'

/** How often a live session is looked at where there is no socket, in milliseconds. */
const LOOKING = 2500
/** A move over a socket without an answer for so long is sent again by the other way, in milliseconds. */
const UNANSWERED = 6000

interface LiveLineParts {
  line: LiveSocket
  isInLive: boolean
  /** What the screen shows now. */
  latest: RefObject<PlayReply | undefined>
  keep: (reply: PlayReply) => void
  reload: () => void
  queue: MoveQueue
}

/** Hears what a live session tells this student: over the socket, or, where there is none, by looking now and then. */
export function useLiveLine({
  line: { socket, connected },
  isInLive,
  latest,
  keep,
  reload,
  queue,
}: LiveLineParts): void {
  useEffect(() => {
    if (!socket) return
    const stops = [
      socket.on('reply', (next: PlayReply) => {
        if (isOlder(next, latest.current, 'told')) return
        keep(next)
        // In the lobby there was nothing yet to send moves to.
        if (next.play && next.open) queue.resume()
      }),
      socket.on('again', reload),
      socket.on('rank', ({ rank, ranking }: RankNews) => {
        const { live, ...known } = latest.current ?? {}
        if (live?.me) keep({ ...known, live: { ...live, ranking, me: { ...live.me, rank } } } as PlayReply)
      }),
    ]
    return () => {
      for (const stop of stops) stop()
    }
  }, [socket, keep, reload, queue, latest])
  useEffect(() => {
    // A connection that was away has missed what was told meanwhile, and may take what waits.
    if (connected) reload()
  }, [connected, reload])
  useEffect(() => {
    if (!isInLive || connected) return
    const timer = setInterval(reload, LOOKING)
    return () => clearInterval(timer)
  }, [isInLive, connected, reload])
}

/** Sends a move over the socket where it is connected, else by the API: both do the same, and twice counts once. */
export async function sendOver(line: LiveConnection | undefined, code: string, move: SendMove): Promise<PlayReply> {
  if (line?.connected) {
    const answer = await line.ask<{ reply: PlayReply } | { problem: ProblemDetails }>('move', move, UNANSWERED)
    if (answer && 'reply' in answer) return answer.reply
    if (answer) throw new ApiError(answer.problem)
  }
  return call<PlayReply>('POST', `/play/${code}/moves`, move)
}
