import type { PebblesOptions, PebblesPuzzle, Swing, SwingSetting } from '@otter/core/games/pebbles'
import { BEST_KNOWS, WEAKEST_KNOWS } from '@otter/core/games/pebbles'
import { useEffect, useRef, useState } from 'react'
import type { WorkbenchProps } from '../contract.ts'
import { useTexts } from '../../texts/texts.ts'
import { openWorker, type WorkerClient } from '../../ui/openWorker.ts'
import { texts } from './texts.ts'

/** How much of a game is knowing, and how much is chance: played through so often, with what is assumed. */
export function Forecast({ puzzle, options }: WorkbenchProps<PebblesOptions, PebblesPuzzle>) {
  const t = useTexts(texts)
  const [swing, setSwing] = useState<Swing>()
  const worker = useRef<WorkerClient<SwingSetting>>(undefined)
  const { answers, wrong, twists, teams } = options
  const pebbles = puzzle.questions.length
  useEffect(() => () => worker.current?.close(), [])
  useEffect(() => {
    if (teams < 2) return
    worker.current ??= openWorker<SwingSetting, Swing>(
      () => new Worker(new URL('./swing.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: setSwing,
        onDied: () => {
          worker.current = undefined
        },
      },
    )
    worker.current.ask({ answers, wrong, twists, teams, pebbles })
  }, [answers, wrong, twists, teams, pebbles])
  if (!swing || teams < 2) return null
  const outOfTen = (share: number): number => Math.round(share * 10)
  return (
    <p className="text-sm" role="status">
      {t(swing.twists === 'off' ? 'forecast.plain' : 'forecast.twists', {
        teams,
        pebbles,
        share: outOfTen(swing.share),
        plain: outOfTen(swing.plain),
      })}{' '}
      <span className="quiet">
        {t('forecast.assumed', { best: Math.round(BEST_KNOWS * 100), weakest: Math.round(WEAKEST_KNOWS * 100) })}
      </span>
    </p>
  )
}
