import type { ChangeSelf, JoinOffer, PlayReply, SendMove } from '@otter/api'
import { useCallback, useEffect, useRef, useState } from 'react'
import { ApiError, call } from '../../api/client.ts'
import { isFramed, keepToken } from '../../api/framed.ts'
import { useSocket } from '../../live/useSocket.ts'
import { newId } from '../../ui/newId.ts'
import { keepMoves, setAside, takeKeptMoves } from './keptMoves.ts'
import { isOlder } from './isOlder.ts'
import { sendOver, useLiveLine } from './liveLine.ts'
import { useAhead } from './useAhead.ts'
import { MoveQueue, type MoveQueueState } from './moveQueue.ts'

/** How often a page that is open says so, in milliseconds. */
const HERE = 12_000
/** How often a student who waits for the teacher's word is looked after, in milliseconds. */
const WAITING = 4000

/** An offer as this device sees it, and what can be done with it. */
export interface PlayState extends MoveQueueState {
  reply: PlayReply | undefined
  /** Comes in: under a name, or as the house wants it; where somebody has the name already, says who this is. */
  join: (wishes: JoinOffer) => Promise<void>
  /** Changes how the player of a live session shows. */
  changeMe: (change: ChangeSelf) => Promise<void>
  send: (move: { type: string }) => void
  /** Goes on without a connection, once what stands is answered; undefined where there is nothing to go on to. */
  goAhead: (() => void) | undefined
  /** How many answers this device keeps that can never be taken. */
  aside: number
  /** Which of several games is picked for the next attempt, from 0. */
  picked: number
  pick: (game: number) => void
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

/**
 * Follows one play: moves go out one after another, and are sent again until there is an answer, even after the page
 * was closed.
 */
export function usePlay(code: string): PlayState {
  const [reply, setReply] = useState<PlayReply>()
  const [failure, setFailure] = useState<ApiError>()
  const [sending, setSending] = useState<MoveQueueState>({
    waiting: false,
    offline: false,
    held: 0,
    problem: undefined,
  })
  const latest = useRef<PlayReply>(undefined)
  const [ahead, setAhead] = useState(0)
  const [aside, countedAside] = useState(() => setAside(code))
  const [picked, setPicked] = useState(0)
  const asked = useRef<{ wish: string; requestId: string }>(undefined)
  const keep = useCallback((next: PlayReply): void => {
    latest.current = next
    setReply(next)
    setFailure(undefined)
  }, [])
  const fail = useCallback((error: unknown): void => {
    if (!(error instanceof ApiError)) throw error
    // That there is no connection shows beside the game; who plays goes on.
    if (error.status !== 0 || !latest.current?.play) setFailure(error)
  }, [])
  const isInLive = reply?.live?.me !== undefined && reply.live.me !== null && !reply.player?.waits
  const { socket, connected } = useSocket(isInLive ? `/play/${code}/pass` : undefined)
  const line = useRef(socket)
  useEffect(() => {
    line.current = socket
  }, [socket])
  const [queue] = useState((): MoveQueue => {
    const isDrained = (): boolean => made.length === 0
    const made: MoveQueue = new MoveQueue({
      send: (move) => sendOver(line.current, code, move),
      keep: (moves) => keepMoves(code, moves),
      setAside: (move) => countedAside(setAside(code, move)),
      wait,
      onReply: (next) => {
        keep(next)
        // What was answered ahead goes out first: until then the screen stays where the student is.
        if (isDrained()) setAhead(0)
      },
      onChange: setSending,
    })
    return made
  })
  const reload = useCallback((): void => {
    // What was answered before the page was closed goes out before anything new is shown: later it would come too late.
    if (queue.length === 0) queue.add(takeKeptMoves(code))
    void queue
      .tried()
      .then(() => call<PlayReply>('GET', `/play/${code}`))
      .then((next) => {
        // What was pushed or answered while this was on its way is newer.
        if (isOlder(next, latest.current, 'asked')) return
        keep(next)
        // Where it is closed meanwhile, what waits is held by the first refusal, and says so.
        if (next.play) queue.resume()
        else queue.hold()
      }, fail)
  }, [code, keep, fail, queue])
  useEffect(reload, [reload])
  useLiveLine({ line: { socket, connected }, isInLive, latest, keep, reload, queue })
  const isIn = reply?.play !== undefined && reply.play !== null
  useEffect(() => {
    if (!isIn) return
    const stay = (): void => {
      // What fails is tried again in a moment; a lost connection shows elsewhere. Who is signed out meanwhile is shown
      // the door: the next one at this device sees no name.
      if (document.visibilityState === 'visible')
        void call<void>('POST', `/play/${code}/here`, {}).catch((error: unknown) => {
          if (error instanceof ApiError && error.status === 401) reload()
        })
    }
    stay()
    const timer = setInterval(stay, HERE)
    return () => clearInterval(timer)
  }, [isIn, code, reload])
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
  const step = useAhead({ reply, queue, ahead, setAhead })
  const { moment } = step
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
        ...(moment !== null && move.type !== 'finish' && { for: moment }),
      }
      queue.add([made])
    },
    [queue, moment],
  )

  return {
    ...sending,
    reply: step.reply,
    waiting: sending.waiting && step.waits,
    goAhead: sending.offline ? step.goAhead : undefined,
    aside,
    problem: failure ?? sending.problem,
    reload,
    picked,
    pick: setPicked,
    send,
    join: (wishes) => {
      // The same wish is the same request, however often it is sent: a reply may get lost.
      const wish = JSON.stringify(wishes)
      if (asked.current?.wish !== wish) asked.current = { wish, requestId: newId() }
      const { requestId } = asked.current
      return call<PlayReply>('POST', `/play/${code}/join`, {
        ...wishes,
        requestId,
        ...(picked > 0 && { game: picked }),
        ...(isFramed() && { keep: 'page' as const }),
      }).then((next) => {
        if (next.token) keepToken(next.token)
        keep(next)
        queue.resume()
      }, fail)
    },
    changeMe: (change) => call<PlayReply>('PATCH', `/play/${code}/me`, change).then(keep, fail),
    again: () => call<PlayReply>('POST', `/play/${code}/again`, picked > 0 ? { game: picked } : {}).then(keep, fail),
    leave: () => {
      // What is not yet sent belongs to the one who leaves, not to the next one at this device.
      queue.clear()
      takeKeptMoves(code)
      takeKeptMoves(`aside ${code}`)
      countedAside(0)
      keepToken()
      const isStudent = latest.current?.work?.isStudent ?? false
      return call<void>('POST', `/play/${code}/leave`, {})
        .then(() => (isStudent ? call<void>('DELETE', '/student') : undefined))
        .then(reload, fail)
    },
  }
}
