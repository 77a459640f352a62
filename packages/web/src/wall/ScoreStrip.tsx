import type { WallPlayReply } from '@otter/api'
import type { TeamMove } from '@otter/core'
import { Minus, Plus } from 'lucide-react'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Emblem } from './Emblem.tsx'

/** What is awarded, or taken away, by one press. */
const STEP = 10

interface ScoreStripProps {
  teams: WallPlayReply['teams']
  standing: WallPlayReply['standing']
  /** Absent on a display, which only shows. */
  send?: ((move: TeamMove) => void) | undefined
  finished: boolean
}

/** All teams with what they have, and whose turn it is: readable from the last row. */
export function ScoreStrip({ teams, standing: { points, turn }, send, finished }: ScoreStripProps) {
  const t = useTexts(teamsTexts)
  return (
    <ol className="score-strip" aria-label={t('scores')} data-teams={teams.length}>
      {teams.map(({ teamId, name, emblem }, team) => {
        const isNext = team === turn && !finished && teams.length > 1
        return (
          <li key={teamId} aria-current={isNext} className="flex min-w-0 items-center gap-2">
            <button
              type="button"
              className="flex min-w-0 flex-1 items-center gap-2 rounded text-start"
              disabled={!send}
              data-team={team}
              onKeyDown={(event) => {
                const sign = event.key === '+' || event.key === '=' ? 1 : event.key === '-' ? -1 : 0
                if (!send || sign === 0) return
                event.preventDefault()
                send({ type: 'award', team, points: sign * STEP })
              }}
              onClick={() => send?.({ type: 'give-turn', team })}
            >
              <Emblem name={emblem} size={36} />
              <span className="min-w-0 leading-tight">
                <span className="block truncate" dir="auto">
                  {name}
                </span>
                <strong className="text-[1.4em] leading-none tabular-nums">{points[team]}</strong>
                <span className="sr-only"> {t('points')}</span>
                {isNext && <span className="quiet ms-2 text-[0.8em]">{t('yourTurn')}</span>}
              </span>
            </button>
            {send && !finished && (
              <span className="flex shrink-0 flex-col">
                <button
                  type="button"
                  className="btn btn-ghost h-7 min-h-0 w-9 p-0"
                  aria-label={t('give', { team: name, points: STEP })}
                  onClick={() => send({ type: 'award', team, points: STEP })}
                >
                  <Plus size={18} aria-hidden="true" />
                </button>
                <button
                  type="button"
                  className="btn btn-ghost h-7 min-h-0 w-9 p-0"
                  aria-label={t('take', { team: name, points: STEP })}
                  onClick={() => send({ type: 'award', team, points: -STEP })}
                >
                  <Minus size={18} aria-hidden="true" />
                </button>
              </span>
            )}
          </li>
        )
      })}
    </ol>
  )
}
