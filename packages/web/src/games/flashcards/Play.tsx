import type { FlashcardsMove, FlashcardsView } from '@otter/core/games/flashcards'
import { Check, RotateCcw } from 'lucide-react'
import type { PlayProps } from '../contract.ts'
import { FaceBody, FaceSounds } from '../ShownFace.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { useLanding } from '../../ui/useLanding.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'

/** Flashcards as a student learns with them alone. */
export function Play({ view, send, waiting }: PlayProps<FlashcardsView, FlashcardsMove>) {
  const t = useTexts(texts)
  const { front, back, hint, fact, turned, left, seen, dueInDays, finished } = view
  const open = !finished && front !== null
  const card = useLanding<HTMLButtonElement>(`${front?.text} ${left} ${seen}`)
  useShortcuts((event) => {
    if (!open || !isPlain(event)) return
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') send({ type: 'turn' })
    else if (turned && event.key === 'ArrowRight') send({ type: 'rate', knew: true })
    else if (turned && event.key === 'ArrowLeft') send({ type: 'rate', knew: false })
    else return
    event.preventDefault()
  })
  if (!open) {
    return (
      <section className="panel flex flex-col items-center gap-3 p-6 text-center">
        {dueInDays !== null && <p>{dueInDays === 0 ? t('dueToday') : t('due', { count: dueInDays })}</p>}
        {!finished && (
          <button
            type="button"
            className="btn btn-primary h-12"
            disabled={waiting}
            onClick={() => send({ type: 'all' })}
          >
            {t('all')}
          </button>
        )}
      </section>
    )
  }
  return (
    <div className="flex flex-col gap-3">
      <p className="quiet flex justify-between text-sm">
        <span>{t('left', { count: left })}</span>
        <span className="hidden sm:inline">{t('keys')}</span>
      </p>
      <button
        ref={card}
        type="button"
        data-landing
        aria-live="polite"
        onClick={() => send({ type: 'turn' })}
        className={`panel flex min-h-64 w-full flex-col items-center justify-center gap-3 p-5 text-2xl leading-snug ${turned ? 'border-secondary' : ''}`}
      >
        <span className="quiet text-sm">{t(turned ? 'back' : 'front')}</span>
        <span className="flex max-w-full flex-col items-center gap-2 [&_img]:max-h-40">
          <FaceBody face={turned && back ? back : front} />
        </span>
        {turned && fact !== '' && <span className="text-base">{fact}</span>}
        {!turned && hint !== '' && <span className="quiet text-base">{hint}</span>}
      </button>
      <div className="mx-auto flex empty:hidden">
        <FaceSounds face={turned && back ? back : front} />
      </div>
      {turned ? (
        <div className="grid grid-cols-2 gap-2">
          <button
            type="button"
            className="btn h-14 text-lg"
            disabled={waiting}
            onClick={() => send({ type: 'rate', knew: false })}
          >
            <RotateCcw size={20} aria-hidden="true" />
            {t('again')}
          </button>
          <button
            type="button"
            className="btn btn-primary h-14 text-lg"
            disabled={waiting}
            onClick={() => send({ type: 'rate', knew: true })}
          >
            <Check size={20} aria-hidden="true" />
            {t('knew')}
          </button>
        </div>
      ) : (
        <button
          type="button"
          className="btn btn-primary h-14 text-lg"
          disabled={waiting}
          onClick={() => send({ type: 'turn' })}
        >
          {t('turn')}
        </button>
      )}
    </div>
  )
}
