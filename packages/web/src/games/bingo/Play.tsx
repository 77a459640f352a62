import type { BingoMove, BingoView } from '@otter/core/games/bingo'
import { ChevronRight } from 'lucide-react'
import { ShownFace } from '../ShownFace.tsx'
import type { PlayProps } from '../contract.ts'
import { Card } from './Card.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** Bingo on a student's device: the calls come from the device, or from the teacher in the room. */
export function Play({ view, send, waiting }: PlayProps<BingoView, BingoMove>) {
  const t = useTexts(texts)
  const { call, won, finished, marked, calling } = view
  return (
    <div className="flex flex-col gap-3">
      <p className="flex justify-between text-sm">
        <strong>{t('card', { number: view.cardNumber })}</strong>
        <span className="quiet">{t(`pattern.${view.pattern}`)}</span>
      </p>
      {call && !finished && (
        <section className="panel flex flex-wrap items-center gap-2 p-3" aria-live="polite">
          <p className="min-w-0 grow basis-40 text-lg leading-tight">
            <span className="quiet block text-sm">{t('call', { number: call.number, total: call.total })}</span>
            <ShownFace face={call.prompt} />
          </p>
          <button
            type="button"
            className="btn btn-secondary h-12"
            disabled={waiting}
            onClick={() => send({ type: 'next' })}
          >
            {t('next')}
            <ChevronRight size={18} aria-hidden="true" className="rtl:rotate-180" />
          </button>
        </section>
      )}
      {calling === 'teacher' && <p className="quiet text-center text-sm">{t('listen')}</p>}
      <Card
        size={view.size}
        direction={view.direction}
        squares={view.squares}
        marked={marked}
        won={won}
        free={t('free')}
        onMark={finished ? undefined : (place) => send({ type: 'mark', place })}
      />
      <p aria-live="polite" className="min-h-6 text-center text-sm">
        {won.length > 0 ? t('won') : view.lastMark === 'none' ? '' : t(`${view.lastMark}`)}
      </p>
      {!finished && (
        <button
          type="button"
          className="btn btn-primary mx-auto h-12 px-8 text-lg"
          disabled={waiting}
          onClick={() => send({ type: 'claim' })}
        >
          {t('claim')}
        </button>
      )}
    </div>
  )
}
