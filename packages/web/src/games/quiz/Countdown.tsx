import { useEffect, useRef, useState } from 'react'
import { useTranslation } from 'react-i18next'

const TICK = 250
/** The server may find that time is not up yet: it is asked again after this long. */
const AGAIN = 1000

/** Time that is left for a question, as a bar that runs out. What counts is the server's clock. */
export function Countdown({ seconds, stopped, onEnd }: { seconds: number; stopped: boolean; onEnd: () => void }) {
  const { t } = useTranslation()
  const [left, setLeft] = useState(seconds)
  const end = useRef(onEnd)
  useEffect(() => {
    end.current = onEnd
  }, [onEnd])
  useEffect(() => {
    if (stopped) return
    const began = Date.now()
    let told = 0
    const timer = setInterval(() => {
      const now = Date.now()
      const rest = seconds - (now - began) / 1000
      setLeft(Math.max(0, rest))
      if (rest <= 0 && now - told >= AGAIN) {
        told = now
        end.current()
      }
    }, TICK)
    return () => clearInterval(timer)
  }, [seconds, stopped])
  const whole = Math.ceil(left)
  return (
    <p className="flex items-center gap-2 text-sm" role="timer" aria-label={t('quiz.left', { count: whole })}>
      <span className="h-2 flex-1 overflow-hidden rounded bg-base-300" aria-hidden="true">
        <span
          className={`block h-full ${left < 6 ? 'bg-error' : 'bg-secondary'}`}
          style={{ width: `${(left / seconds) * 100}%` }}
        />
      </span>
      <span className="w-8 text-end" aria-hidden="true">
        {whole}
      </span>
    </p>
  )
}
