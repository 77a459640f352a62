import type { PlayReply } from '@otter/api'
import { useCallback } from 'react'
import { newId } from '../../ui/newId.ts'
import type { MoveQueue } from './moveQueue.ts'

interface AheadParts {
  reply: PlayReply | undefined
  queue: MoveQueue
  /** How many steps the student has gone on without a connection. */
  ahead: number
  setAhead: (ahead: number) => void
}

/** A play as it is shown to who has gone on without a connection. */
interface AheadPlay {
  reply: PlayReply | undefined
  /** What a move is made for now. */
  moment: string | null
  /** Whether the screen waits for an answer on its way: not for one of a step before. */
  waits: boolean
  /** Goes on, once what stands is answered; undefined where there is nothing to go on to. */
  goAhead: (() => void) | undefined
}

/** Lets a student go on without a connection: to what comes next whatever was answered, as the last reply has told. */
export function useAhead({ reply, queue, ahead, setAhead }: AheadParts): AheadPlay {
  const play = reply?.play ?? null
  const step = ahead === 0 ? undefined : play?.ahead[ahead - 1]
  const next = play?.ahead[ahead]
  const moment = step?.moment ?? play?.moment ?? null
  const isAnswered = moment !== null && queue.holdsFor(moment)
  const attempt = play?.attempt
  const goAhead = useCallback((): void => {
    if (attempt === undefined || !next) return
    if (next.by) queue.add([{ id: newId(), attempt, madeAt: Date.now(), for: next.by.for, move: next.by.move }])
    setAhead(ahead + 1)
  }, [queue, attempt, next, ahead, setAhead])
  return {
    reply: reply && play && step ? { ...reply, play: { ...play, view: step.view, moment: step.moment } } : reply,
    moment,
    waits: ahead === 0 || isAnswered,
    goAhead: isAnswered && next ? goAhead : undefined,
  }
}
