import type { WallPlayReply } from '@otter/api'
import { timerLeft, type TeamMove } from '@otter/core'
import { Pause, Play, TimerReset, X } from 'lucide-react'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { clockText, useTimeLeft } from '../ui/useTimeLeft.ts'

/** Seconds that a timer is set to where nobody says another number. */
export const USUAL_TIME = 30

interface WallTimerProps {
  standing: WallPlayReply['standing']
  now: number
  send?: ((move: TeamMove) => void) | undefined
}

/** The timer: to set, to stop and to let run on. When it is over it says so, and the teacher decides. */
export function WallTimer({ standing: { timer }, now, send }: WallTimerProps) {
  const t = useTexts(teamsTexts)
  const isPaused = timer !== null && 'left' in timer
  const seconds = useTimeLeft(timer && timerLeft(timer, now), timer, isPaused)
  if (!timer)
    return send ? (
      <button type="button" className="btn h-11" onClick={() => send({ type: 'set-timer', seconds: USUAL_TIME })}>
        <TimerReset size={18} aria-hidden="true" />
        {t('timer', { count: USUAL_TIME })}
      </button>
    ) : null
  return (
    <span className="flex items-center gap-1">
      <strong
        role="timer"
        className={`text-2xl tabular-nums ${seconds === 0 ? 'text-error' : ''} ${isPaused ? 'quiet' : ''}`}
        dir="ltr"
      >
        {clockText(seconds ?? 0)}
      </strong>
      {seconds === 0 && <span role="status">{t('timeUp')}</span>}
      {send && (
        <>
          {seconds !== 0 && (
            <button
              type="button"
              className="btn btn-ghost h-11 w-11 p-0"
              aria-label={t(isPaused ? 'runTimer' : 'pauseTimer')}
              onClick={() => send({ type: isPaused ? 'run-timer' : 'pause-timer' })}
            >
              {isPaused ? <Play size={18} aria-hidden="true" /> : <Pause size={18} aria-hidden="true" />}
            </button>
          )}
          <button
            type="button"
            className="btn btn-ghost h-11 w-11 p-0"
            aria-label={t('stopTimer')}
            onClick={() => send({ type: 'stop-timer' })}
          >
            <X size={18} aria-hidden="true" />
          </button>
        </>
      )}
    </span>
  )
}
