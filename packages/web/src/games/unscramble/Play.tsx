import type { UnscrambleMove, UnscrambleView } from '@otter/core/games/unscramble'
import { Delete, Lightbulb } from 'lucide-react'
import type { PlayProps } from '../contract.ts'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { useLaying } from './useLaying.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { NextButton } from '../../ui/NextButton.tsx'
import { useLanding } from '../../ui/useLanding.ts'

/** Unscramble as it is played: pieces are tapped or typed in their order. */
export function Play({ view, send, waiting }: PlayProps<UnscrambleView, UnscrambleMove>) {
  const t = useTexts(texts)
  const { pieces, by, spaces, direction, prompt, outcome, answer, tries, finished, canHint, hint } = view
  const open = outcome === null && !finished
  const { laid, lay, takeBack } = useLaying(view, send)
  const word = useLanding<HTMLDivElement>(view.number)
  const size = by === 'words' ? 'min-w-14 px-3 text-lg' : 'min-w-11 text-2xl font-bold'
  return (
    <div
      ref={word}
      role="group"
      aria-label={t('number', { number: view.number, total: view.total })}
      tabIndex={-1}
      data-landing
      className="flex scroll-mt-2 flex-col gap-4 outline-none"
    >
      <p className="quiet text-sm">{t('number', { number: view.number, total: view.total })}</p>
      {(prompt.text !== '' || prompt.picture || prompt.sound !== null) && (
        <p className="text-center text-lg">
          <ShownFace face={prompt} />
        </p>
      )}
      <Said>{hint === '' ? '' : `${t('hint')}: ${hint}`}</Said>
      {hint !== '' && (
        <p className="text-center text-lg">
          <span className="quiet">{t('hint')}:</span> {hint}
        </p>
      )}
      <p className="sr-only" aria-live="polite">
        {laid.map((piece) => pieces[piece]).join(by === 'words' ? ' ' : '')}
      </p>
      {open && (
        <>
          <ol dir={direction} className="flex flex-wrap justify-center gap-1.5" aria-label={t('order')}>
            {pieces.map((_, place) => (
              <li key={place} className={by === 'letters' && spaces.includes(place) ? 'me-4' : ''}>
                <button
                  type="button"
                  disabled={place >= laid.length || place < view.start.length}
                  onClick={() => takeBack(place)}
                  aria-label={place < laid.length ? t('takeBack', { piece: pieces[laid[place]!]! }) : t('gap')}
                  className={`btn h-12 p-0 ${size} ${place < laid.length ? 'bg-base-100! text-base-content! opacity-100!' : 'border-b-4! border-b-base-content/50! bg-transparent!'} ${place < view.start.length ? 'text-success!' : ''}`}
                >
                  {place < laid.length ? pieces[laid[place]!] : ''}
                </button>
              </li>
            ))}
          </ol>
          <ol dir={direction} className="flex min-h-14 flex-wrap justify-center gap-1.5" aria-label={t('pieces')}>
            {pieces.map((piece, index) => (
              <li key={index}>
                <button
                  type="button"
                  disabled={laid.includes(index)}
                  onClick={() => lay(index)}
                  className={`btn h-12 p-0 ${size} ${laid.includes(index) ? 'invisible' : ''}`}
                >
                  {piece}
                </button>
              </li>
            ))}
          </ol>
          <p role="status" className="min-h-6 text-center">
            {tries > 0 && laid.length === view.start.length ? t('wrong') : ''}
          </p>
          <div className="flex flex-wrap justify-center gap-2">
            <button
              type="button"
              className="btn h-11"
              disabled={laid.length <= view.start.length}
              onClick={() => takeBack(laid.length - 1)}
            >
              <Delete size={18} aria-hidden="true" />
              {t('back')}
            </button>
            {canHint && (
              <button type="button" className="btn h-11" disabled={waiting} onClick={() => send({ type: 'hint' })}>
                <Lightbulb size={18} aria-hidden="true" />
                {t('askHint')}
              </button>
            )}
            <button
              type="button"
              className="btn btn-ghost h-11"
              disabled={waiting}
              onClick={() => send({ type: 'skip' })}
            >
              {t('skip')}
            </button>
          </div>
        </>
      )}
      {!open && answer && (
        <section className="panel flex flex-wrap items-center justify-between gap-3 p-3" aria-live="polite">
          <div>
            <p className={outcome === 'solved' ? 'text-success' : 'quiet'}>
              {t(outcome === 'solved' ? 'solved' : 'given')}
            </p>
            <p className="text-2xl font-bold">
              <bdi>{answer.text}</bdi>
            </p>
            {answer.fact !== '' && <p className="text-sm">{answer.fact}</p>}
          </div>
          {!finished && (
            <NextButton disabled={waiting} onClick={() => send({ type: 'next' })}>
              {t('next')}
            </NextButton>
          )}
        </section>
      )}
    </div>
  )
}
