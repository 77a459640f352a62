import type { ChangeSelf, JoinOffer, PlayReply, ProblemDetails, RankNews, SendMove } from '@otter/api'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Socket } from 'socket.io-client'
import { ApiError, call } from '../../api/client.ts'
import { useSocket } from '../../live/useSocket.ts'
import { newId } from '../../ui/newId.ts'
import { keepMoves, takeKeptMoves } from './keptMoves.ts'
import { MoveQueue, type MoveQueueState } from './moveQueue.ts'

/** How often a page that is open says so, in milliseconds. */
const HERE = 12_000
/** How often a student who waits for the teacher's word is looked after, in milliseconds. */
const WAITING = 4000
/** How often a live session is looked at where there is no socket, in milliseconds. */
const LOOKING = 2500
/** A move over a socket without an answer for so long is sent again by the other way, in milliseconds. */
const UNANSWERED = 6000

/** An offer as this device sees it, and what can be done with it. */
export interface PlayState extends MoveQueueState {
  reply: PlayReply | undefined
  /** Comes in: under a name, or as the house wants it; where somebody has the name already, says who this is. */
  join: (wishes: JoinOffer) => Promise<void>
  /** Changes how the player of a live session shows. */
  changeMe: (change: ChangeSelf) => Promise<void>
  send: (move: { type: string }) => void
  again: () => Promise<void>
  leave: () => Promise<void>
  reload: () => void
}

/** Waits so long, or until the device is back on the network. */
function wait(milliseconds: number): Promise<void> {
  return new Promise((resolve) => {
    const done = (): void => {
      clearTimeout(timer)
      removeEventListener('online', done)
      resolve()
    }
    const timer = setTimeout(done, milliseconds)
    addEventListener('online', done)
  })
}

/** Sends a move over the socket where it is connected, else by the API: both do the same, and twice counts once. */
async function sendOver(socket: Socket | undefined, code: string, move: SendMove): Promise<PlayReply> {
  if (socket?.connected) {
    const answer = await (
      socket.timeout(UNANSWERED).emitWithAck('move', move) as Promise<
        { reply: PlayReply } | { problem: ProblemDetails }
      >
    ).catch(() => undefined)
    if (answer && 'reply' in answer) return answer.reply
    if (answer) throw new ApiError(answer.problem)
  }
  return call<PlayReply>('POST', `/play/${code}/moves`, move)
}

/** Tells whether what was pushed is older than what is there: a move may have been answered meanwhile. */
function isOlder(next: PlayReply, known: PlayReply | undefined): boolean {
  if (!known) return false
  if ((next.live?.revision ?? 0) < (known.live?.revision ?? 0)) return true
  const [now, before] = [next.play, known.play]
  return (
    now !== null &&
    before !== null &&
    (now.attempt < before.attempt || (now.attempt === before.attempt && now.moves < before.moves))
  )
}

/**
 * Follows one play: moves go out one after another, and are sent again until there is an answer, even after the page
 * was closed.
 */
export function usePlay(code: string): PlayState {
  const [reply, setReply] = useState<PlayReply>()
  const [failure, setFailure] = useState<ApiError>()
  const [sending, setSending] = useState<MoveQueueState>({ waiting: false, offline: false, problem: undefined })
  const latest = useRef<PlayReply>(undefined)
  const asked = useRef<{ wish: string; requestId: string }>(undefined)
  const keep = useCallback((next: PlayReply): void => {
    latest.current = next
    setReply(next)
    setFailure(undefined)
  }, [])
  const fail = useCallback((error: unknown): void => {
    if (!(error instanceof ApiError)) throw error
    setFailure(error)
  }, [])
  const isInLive = reply?.live?.me !== undefined && reply.live.me !== null && !reply.player?.waits
  const { socket, connected } = useSocket(isInLive ? `/play/${code}/pass` : undefined)
  const line = useRef(socket)
  useEffect(() => {
    line.current = socket
  }, [socket])
  const [queue] = useState(
    () =>
      new MoveQueue({
        send: (move) => sendOver(line.current, code, move),
        keep: (moves) => keepMoves(code, moves),
        wait,
        onReply: keep,
        onChange: setSending,
      }),
  )
  const reload = useCallback((): void => {
    // What was answered before the page was closed goes out before anything new is shown: later it would come too late.
    if (queue.length === 0) queue.add(takeKeptMoves(code))
    void queue
      .tried()
      .then(() => call<PlayReply>('GET', `/play/${code}`))
      .then((next) => {
        keep(next)
        if (next.play && next.open) queue.resume()
        else queue.hold()
      }, fail)
  }, [code, keep, fail, queue])
  useEffect(reload, [reload])
  useEffect(() => {
    if (!socket) return
    socket.on('reply', (next: PlayReply) => {
      if (isOlder(next, latest.current)) return
      keep(next)
      // In the lobby there was nothing yet to send moves to.
      if (next.play && next.open) queue.resume()
    })
    socket.on('again', reload)
    socket.on('rank', ({ rank, ranking }: RankNews) => {
      const { live, ...known } = latest.current ?? {}
      if (live?.me) keep({ ...known, live: { ...live, ranking, me: { ...live.me, rank } } } as PlayReply)
    })
    return () => {
      socket.off('reply')
      socket.off('again')
      socket.off('rank')
    }
  }, [socket, keep, reload, queue])
  useEffect(() => {
    // A connection that was away has missed what was told meanwhile, and may take what waits.
    if (connected) reload()
  }, [connected, reload])
  useEffect(() => {
    if (!isInLive || connected) return
    const timer = setInterval(reload, LOOKING)
    return () => clearInterval(timer)
  }, [isInLive, connected, reload])
  const isIn = reply?.play !== undefined && reply.play !== null
  useEffect(() => {
    if (!isIn) return
    const stay = (): void => {
      // What fails is tried again in a moment; a lost connection shows elsewhere.
      if (document.visibilityState === 'visible')
        void call<void>('POST', `/play/${code}/here`, {}).catch(() => undefined)
    }
    stay()
    const timer = setInterval(stay, HERE)
    return () => clearInterval(timer)
  }, [isIn, code])
  const waits = reply?.player?.waits ?? false
  useEffect(() => {
    if (!waits) return
    const timer = setInterval(reload, WAITING)
    return () => clearInterval(timer)
  }, [waits, reload])
  useEffect(() => {
    // Whoever comes back to the page sees how things stand: a game that was closed may be open again.
    const shown = (): void => {
      if (document.visibilityState === 'visible' && latest.current && !latest.current.open) reload()
    }
    document.addEventListener('visibilitychange', shown)
    return () => document.removeEventListener('visibilitychange', shown)
  }, [reload])
  const send = useCallback(
    (move: { type: string }): void => {
      const play = latest.current?.play
      if (!play) return
      // Stopping fits any moment; all else is made for what stands on the screen.
      const made: SendMove = {
        id: newId(),
        attempt: play.attempt,
        madeAt: Date.now(),
        move,
        ...(play.moment !== null && move.type !== 'finish' && { for: play.moment }),
      }
      queue.add([made])
    },
    [queue],
  )

  return {
    reply,
    ...sending,
    problem: failure ?? sending.problem,
    reload,
    send,
    join: (wishes) => {
      // The same wish is the same request, however often it is sent: a reply may get lost.
      const wish = JSON.stringify(wishes)
      if (asked.current?.wish !== wish) asked.current = { wish, requestId: newId() }
      const { requestId } = asked.current
      return call<PlayReply>('POST', `/play/${code}/join`, { ...wishes, requestId }).then((next) => {
        keep(next)
        queue.resume()
      }, fail)
    },
    changeMe: (change) => call<PlayReply>('PATCH', `/play/${code}/me`, change).then(keep, fail),
    again: () => call<PlayReply>('POST', `/play/${code}/again`, {}).then(keep, fail),
    leave: () => {
      // What is not yet sent belongs to the one who leaves, not to the next one at this device.
      queue.clear()
      takeKeptMoves(code)
      return call<void>('POST', `/play/${code}/leave`, {}).then(reload, fail)
    },
  }
}
