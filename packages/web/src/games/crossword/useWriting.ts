import type { CrosswordMove, CrosswordView } from '@otter/core/games/crossword'
import { useCallback, useEffect, useRef, useState } from 'react'

/** Letters go out together after this pause; in milliseconds. */
const PAUSE = 700

/** Letters as they are typed: shown at once, sent in small batches. */
export function useWriting(
  view: CrosswordView,
  waiting: boolean,
  send: (move: CrosswordMove) => void,
): { letterAt: (cell: number) => string; write: (cell: number, letter: string) => void; flush: () => void } {
  const [own, setOwn] = useState<Record<number, string>>({})
  const pending = useRef<Record<number, string>>({})
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const sending = useRef(send)
  useEffect(() => {
    sending.current = send
  }, [send])
  const flush = useCallback((): void => {
    clearTimeout(timer.current)
    const cells = Object.entries(pending.current).map(([cell, letter]) => ({ cell: Number(cell), letter }))
    pending.current = {}
    if (cells.length > 0) sending.current({ type: 'write', cells })
  }, [])
  useEffect(() => {
    const onHide = (): void => flush()
    document.addEventListener('visibilitychange', onHide)
    return () => {
      document.removeEventListener('visibilitychange', onHide)
      flush()
    }
  }, [flush])
  useEffect(() => {
    if (!waiting && Object.keys(pending.current).length === 0)
      setOwn((before) => (Object.keys(before).length === 0 ? before : {}))
  }, [view, waiting])
  return {
    letterAt: (cell) => own[cell]! ?? view.letters[cell],
    write: (cell, letter) => {
      pending.current[cell] = letter
      setOwn((before) => ({ ...before, [cell]: letter }))
      clearTimeout(timer.current)
      timer.current = setTimeout(flush, PAUSE)
    },
    flush,
  }
}
