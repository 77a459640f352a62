import type { BingoOptions, BingoPuzzle } from '@otter/core/games/bingo'
import { Megaphone } from 'lucide-react'
import { useState } from 'react'
import type { WorkbenchProps } from '../contract.ts'
import { Caller } from './Caller.tsx'

/** How the game will go: with any order of calls, and with the planned one; and the caller's screen. */
export function Course({ puzzle, options }: WorkbenchProps<BingoOptions, BingoPuzzle>) {
  const [calling, setCalling] = useState(false)
  const { forecast, plan, cards } = puzzle
  const isPlanned = options.firstWin !== null || options.winners !== null || options.fiveBy !== null
  return (
    <div className="flex flex-col gap-2 text-sm">
      <p>
        By chance the first bingo comes around call <strong>{forecast.median}</strong> (mostly {forecast.p5} to{' '}
        {forecast.p95}); the chance that just one card wins then is{' '}
        <strong>{Math.round(forecast.single * 100)} %</strong>.
      </p>
      <p role="status" className={plan.met || !isPlanned ? 'text-success' : 'text-error'}>
        {plan.reachable &&
          !plan.met &&
          `This can’t be had with these ${cards.length} cards: the first bingo can come from call ${plan.reachable[0]} to about ${plan.reachable[1]}. The nearest found: `}
        First bingo at call {plan.firstWin}, {plan.winners} {plan.winners === 1 ? 'winner' : 'winners'}
        {options.fiveBy !== null &&
          `, ${plan.wonBy[Math.min(options.fiveBy, plan.wonBy.length) - 1]} by call ${options.fiveBy}`}
        .
      </p>
      <div>
        <button type="button" className="btn btn-sm" onClick={() => setCalling(true)}>
          <Megaphone size={16} aria-hidden="true" />
          Call this game
        </button>
      </div>
      {calling && <Caller puzzle={puzzle} onClose={() => setCalling(false)} />}
    </div>
  )
}
