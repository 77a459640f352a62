import type { HangmanMove, HangmanView } from '@otter/core/games/hangman'
import { Lightbulb } from 'lucide-react'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import type { PlayProps } from '../contract.ts'
import { Scene } from './Scene.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { NextButton } from '../../ui/NextButton.tsx'
import { useLanding } from '../../ui/useLanding.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'

/** Hangman as it is played: by link, on the wall, anywhere. */
export function Play({ view, send, waiting }: PlayProps<HangmanView, HangmanMove>) {
  const t = useTexts(texts)
  const { characters, alphabet, tried, outcome, misses, missesMade, missed, prompt, teams } = view
  const left = misses - missesMade
  const open = outcome === null && !view.finished
  useShortcuts((event) => {
    if (!isPlain(event) || !open) return
    if ([...event.key].length === 1 && /\p{L}/u.test(event.key)) send({ type: 'guess', letter: event.key })
  })
  const word = useLanding<HTMLDivElement>(`${view.number} ${view.again}`)
  const spelled = characters.map((character) => character ?? t('gap')).join(' ')
  return (
    <div
      ref={word}
      role="group"
      aria-label={view.again ? t('again') : t('number', { number: view.number, total: view.total })}
      tabIndex={-1}
      data-landing
      className="flex scroll-mt-2 flex-col gap-3 outline-none"
    >
      <Turns teams={teams} finished={!open} />
      <Scene scene={view.scene} misses={misses} missesMade={missesMade} outcome={outcome} />
      <p className="flex items-center justify-between text-sm">
        <span className="quiet">
          {view.again ? t('again') : t('number', { number: view.number, total: view.total })}
        </span>
        <strong className={left <= 2 && open ? 'text-error' : ''}>{t('left', { count: left })}</strong>
      </p>
      {prompt && (prompt.text !== '' || prompt.picture || prompt.sound !== null) && (
        <p className="text-center text-lg">
          <ShownFace face={prompt} />
        </p>
      )}
      <Said>{view.hint ? `${t('hint')}: ${view.hint}` : ''}</Said>
      {view.hint && (
        <p className="text-center">
          <span className="quiet">{t('hint')}:</span> {view.hint}
        </p>
      )}
      <p className="sr-only" aria-live="polite">
        {spelled}. {t('left', { count: left })}
      </p>
      <div aria-hidden="true" dir={view.direction} className="flex flex-wrap justify-center gap-x-1.5 gap-y-2">
        {characters.map((character, index) =>
          character !== null && character.trim() === '' ? (
            <span key={index} className="w-4" />
          ) : (
            <span
              key={index}
              className={`flex h-12 min-w-8 items-end justify-center border-b-4 px-1 text-3xl font-bold leading-tight ${character === null || missed[index] || /[\p{L}\p{N}]/u.test(character) ? 'border-current' : 'border-transparent'} ${missed[index] ? 'text-error' : ''}`}
            >
              {character}
            </span>
          ),
        )}
      </div>
      {!open && (
        <section className="panel flex flex-wrap items-center justify-between gap-2 p-3" aria-live="polite">
          <div>
            <h2 className="text-xl">{outcome === 'won' ? t('won') : t('lost')}</h2>
            {view.fact !== '' && <p className="text-sm">{view.fact}</p>}
          </div>
          {!view.finished && <NextButton onClick={() => send({ type: 'next' })}>{t('next')}</NextButton>}
        </section>
      )}
      {open && (
        <>
          <div
            role="group"
            aria-label={t('letters')}
            className="flex flex-wrap justify-center gap-1"
            dir={view.direction}
          >
            {alphabet.map((letter) => {
              const known = tried.find((one) => one.letter === letter)
              return (
                <button
                  key={letter}
                  type="button"
                  disabled={known !== undefined}
                  onClick={() => send({ type: 'guess', letter })}
                  aria-label={known ? t(known.right ? 'isIn' : 'isNot', { letter }) : letter}
                  className={`btn h-11 w-11 p-0 text-xl font-bold ${known ? (known.right ? 'text-success! opacity-100!' : 'text-neutral! line-through opacity-60!') : ''}`}
                >
                  {letter}
                </button>
              )
            })}
          </div>
          {view.hasHint && (
            <button
              type="button"
              className="btn mx-auto h-11"
              disabled={waiting}
              onClick={() => send({ type: 'hint' })}
            >
              <Lightbulb size={18} aria-hidden="true" />
              {t('askHint')}
            </button>
          )}
        </>
      )}
    </div>
  )
}
