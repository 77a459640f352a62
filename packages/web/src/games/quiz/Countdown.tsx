import { useEffect, useRef, useState } from 'react'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

const TICK = 250
/** The server may find that time is not up yet: it is asked again after this long. */
const AGAIN = 1000
/** With so many seconds left, the bar changes its colour. */
const SOON = 6

interface CountdownProps {
  /** Time for the question, in seconds. */
  seconds: number
  /** What is left of it now, in milliseconds; a new number starts anew from there. */
  left: number
  stopped: boolean
  onEnd: () => void
}

/** Time that is left for a question, as a bar that runs out. What counts is the server's clock. */
export function Countdown({ seconds, left, stopped, onEnd }: CountdownProps) {
  const t = useTexts(texts)
  const [rest, setRest] = useState(left / 1000)
  const end = useRef(onEnd)
  useEffect(() => {
    end.current = onEnd
  }, [onEnd])
  useEffect(() => {
    if (stopped) return
    const endsAt = Date.now() + left
    let told = 0
    const timer = setInterval(() => {
      const now = Date.now()
      setRest(Math.max(0, (endsAt - now) / 1000))
      if (now >= endsAt && now - told >= AGAIN) {
        told = now
        end.current()
      }
    }, TICK)
    return () => clearInterval(timer)
  }, [left, stopped])
  const whole = Math.ceil(rest)
  return (
    <p className="flex items-center gap-2 text-sm" role="timer" aria-label={t('left', { count: whole })}>
      <span className="h-2 flex-1 overflow-hidden rounded bg-base-300" aria-hidden="true">
        <span
          className={`block h-full ${rest < SOON ? 'bg-error' : 'bg-secondary'}`}
          style={{ width: `${Math.min(100, (rest / seconds) * 100)}%` }}
        />
      </span>
      <span className="w-8 text-end" aria-hidden="true">
        {whole}
      </span>
    </p>
  )
}
