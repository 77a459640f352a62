import { useEffect } from 'react'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { clockText, useTimeLeft } from '../../ui/useTimeLeft.ts'

/** So much later than it is up, the server has ended the attempt: then it is shown; in milliseconds. */
const ENDED = 5000

/** How long an attempt at set work may still take. */
export function WorkClock({ left, onUp }: { left: number; onUp: () => void }) {
  const t = useTexts(studentTexts)
  const seconds = useTimeLeft(left, left, false) ?? 0
  useEffect(() => {
    const timer = setTimeout(onUp, left + ENDED)
    return () => clearTimeout(timer)
  }, [left, onUp])
  return (
    <p className="flex justify-between gap-2">
      <span className="quiet">{t('timeLeft')}</span>
      <span role="timer" className="font-bold tabular-nums">
        {clockText(seconds)}
      </span>
    </p>
  )
}
