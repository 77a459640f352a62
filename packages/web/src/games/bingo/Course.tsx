import type { BingoOptions, BingoPuzzle } from '@otter/core/games/bingo'
import { Megaphone } from 'lucide-react'
import { useState } from 'react'
import type { WorkbenchProps } from '../contract.ts'
import { Calling } from './Calling.tsx'
import { texts } from './texts.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'

/** How the game will go: with any order of calls, and with the planned one; and the caller's screen. */
export function Course({ puzzle, options }: WorkbenchProps<BingoOptions, BingoPuzzle>) {
  const t = useTexts(texts)
  const [calling, setCalling] = useState(false)
  const { forecast, plan, cards } = puzzle
  const isPlanned = options.firstWin !== null || options.winners !== null || options.fiveBy !== null
  return (
    <div className="flex flex-col gap-2 text-sm">
      <p>
        <Rich
          texts={texts}
          id="course.chance"
          values={{
            median: forecast.median,
            p5: forecast.p5,
            p95: forecast.p95,
            single: Math.round(forecast.single * 100),
          }}
          marks={{ strong: <strong /> }}
        />
      </p>
      <p role="status" className={plan.met || !isPlanned ? 'text-success' : 'text-error'}>
        {plan.reachable &&
          !plan.met &&
          `${t('course.unreachable', { cards: cards.length, from: plan.reachable[0], to: plan.reachable[1] })} `}
        {options.fiveBy === null
          ? t('course.plan', { call: plan.firstWin, count: plan.winners })
          : t('course.planFive', {
              call: plan.firstWin,
              count: plan.winners,
              five: plan.wonBy[Math.min(options.fiveBy, plan.wonBy.length) - 1]!,
              by: options.fiveBy,
            })}
      </p>
      <div>
        <button type="button" className="btn btn-sm" onClick={() => setCalling(true)}>
          <Megaphone size={16} aria-hidden="true" />
          {t('course.call')}
        </button>
        {options.calling === 'teacher' && <p className="quiet mt-1">{t('course.onDevices')}</p>}
      </div>
      {calling && <Calling puzzle={puzzle} onClose={() => setCalling(false)} />}
    </div>
  )
}
