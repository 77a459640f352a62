import type { ThreadMove, ThreadView } from '@otter/core/games/thread'
import { useState } from 'react'
import { useTexts } from '../../texts/texts.ts'
import { useLanding } from '../../ui/useLanding.ts'
import { useTeams } from '../../wall/atWall.ts'
import { texts } from './texts.ts'

interface NamingProps {
  view: ThreadView
  send: (move: ThreadMove) => void
}

/** The link is told: typed, chosen, or said aloud where a teacher hears it. */
export function Naming({ view: { naming, key, cards }, send }: NamingProps) {
  const t = useTexts(texts)
  const { steers } = useTeams()
  const [typed, setTyped] = useState('')
  const field = useLanding<HTMLFormElement>(cards.length)
  if (!steers) return <p className="panel p-3">{t('whatLink')}</p>
  return (
    <form
      ref={field}
      tabIndex={-1}
      aria-label={t('whatLink')}
      className="panel flex flex-col gap-3 border-secondary p-3 outline-none"
      onSubmit={(event) => {
        event.preventDefault()
        if (typed.trim() !== '') send({ type: 'say', link: typed })
      }}
    >
      <p className="text-lg">
        {t('whatLink')} {key !== null && <strong>({key})</strong>}
      </p>
      {naming!.choices ? (
        <div className="flex flex-wrap gap-2">
          {naming!.choices.map((choice) => (
            <button key={choice} type="button" className="btn h-11" onClick={() => send({ type: 'say', link: choice })}>
              <bdi>{choice}</bdi>
            </button>
          ))}
        </div>
      ) : (
        <div className="flex flex-wrap gap-2">
          <input
            className="input h-11 min-w-0 flex-1 text-lg"
            aria-label={t('link')}
            dir="auto"
            maxLength={200}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <button type="submit" className="btn btn-primary h-11" disabled={typed.trim() === ''}>
            {t('say')}
          </button>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {naming!.isHeard && (
          <>
            <button type="button" className="btn h-11" onClick={() => send({ type: 'heard', right: true })}>
              {t('heardRight')}
            </button>
            <button type="button" className="btn h-11" onClick={() => send({ type: 'heard', right: false })}>
              {t('heardWrong')}
            </button>
          </>
        )}
        <button type="button" className="btn btn-ghost h-11" onClick={() => send({ type: 'tell' })}>
          {t('tell')}
        </button>
      </div>
    </form>
  )
}
