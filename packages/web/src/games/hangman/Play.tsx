import type { HangmanMove, HangmanView } from '@otter/core/games/hangman'
import { Lightbulb } from 'lucide-react'
import { useEffect } from 'react'
import { useTranslation } from 'react-i18next'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import type { PlayProps } from '../contract.ts'
import { Scene } from './Scene.tsx'

/** Hangman as it is played: by link, on the wall, anywhere. */
export function Play({ view, send, waiting }: PlayProps<HangmanView, HangmanMove>) {
  const { t } = useTranslation()
  const { characters, alphabet, tried, outcome, misses, missesMade, missed, prompt, teams } = view
  const left = misses - missesMade
  const open = outcome === null && !view.finished
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const at = event.target
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        at instanceof HTMLInputElement ||
        at instanceof HTMLTextAreaElement ||
        at instanceof HTMLSelectElement
      )
        return
      if (open && [...event.key].length === 1 && /\p{L}/u.test(event.key)) send({ type: 'guess', letter: event.key })
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  }, [open, send])
  const spelled = characters.map((character) => character ?? t('hangman.gap')).join(' ')
  return (
    <div className="flex flex-col gap-3">
      {teams.length > 0 && (
        <Turns players={teams.map(({ points, turn }) => ({ points, turn: turn && open }))} name="hangman.team" />
      )}
      <Scene scene={view.scene} misses={misses} missesMade={missesMade} outcome={outcome} />
      <p className="flex items-center justify-between text-sm">
        <span className="quiet">
          {view.again ? t('hangman.again') : t('hangman.number', { number: view.number, total: view.total })}
        </span>
        <strong className={left <= 2 && open ? 'text-error' : ''}>{t('hangman.left', { count: left })}</strong>
      </p>
      {prompt && (prompt.text !== '' || prompt.picture || prompt.sound !== null) && (
        <p className="text-center text-lg">
          <ShownFace face={prompt} />
        </p>
      )}
      {view.hint && (
        <p className="text-center">
          <span className="quiet">{t('hangman.hint')}:</span> {view.hint}
        </p>
      )}
      <p className="sr-only" aria-live="polite">
        {spelled}. {t('hangman.left', { count: left })}
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
            <h2 className="text-xl">{outcome === 'won' ? t('hangman.won') : t('hangman.lost')}</h2>
            {view.fact !== '' && <p className="text-sm">{view.fact}</p>}
          </div>
          {!view.finished && (
            <button type="button" autoFocus className="btn btn-primary h-12" onClick={() => send({ type: 'next' })}>
              {t('hangman.next')}
            </button>
          )}
        </section>
      )}
      {open && (
        <>
          <div
            role="group"
            aria-label={t('hangman.letters')}
            className="flex flex-wrap justify-center gap-1.5"
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
                  aria-label={known ? t(known.right ? 'hangman.isIn' : 'hangman.isNot', { letter }) : letter}
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
              {t('hangman.askHint')}
            </button>
          )}
        </>
      )}
    </div>
  )
}
