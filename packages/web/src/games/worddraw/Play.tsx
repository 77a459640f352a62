import type { WorddrawMove, WorddrawView } from '@otter/core/games/worddraw'
import { Waves } from 'lucide-react'
import type { PlayProps } from '../contract.ts'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import { useTexts } from '../../texts/texts.ts'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { texts } from './texts.ts'

/** How many are drawn in one go to be counted. */
const TEN = 10
/** Words that are seen afloat behind the one at rest. */
const AFLOAT = 12

/** Word draw as it is played: words float by, and one comes to rest. */
export function Play({ view, send, waiting }: PlayProps<WorddrawView, WorddrawMove>) {
  const t = useTexts(texts)
  const { steers } = useTeams()
  const { words, last, draws, most, mostCount, teams, finished } = view
  const can = steers && !finished
  useShortcuts((event) => {
    if (!can || !isPlain(event) || event.target instanceof HTMLButtonElement) return
    if (event.key === ' ' || event.key === 'Enter') send({ type: 'draw', count: 1 })
    else return
    event.preventDefault()
  })
  const tallied = [...words.keys()].filter((word) => words[word]!.count > 0)
  const tally = tallied.sort((one, other) => words[other]!.count - words[one]!.count)
  return (
    <div className="wall-split flex-1">
      <div className="wall-main">
        <Turns teams={teams} finished={finished} />
        <div className="stream relative flex min-h-48 flex-1 flex-col items-center justify-center overflow-hidden p-4">
          <div key={`afloat ${draws}`} className="absolute inset-0" aria-hidden="true">
            {words.slice(0, AFLOAT).map(({ face }, index) => (
              <span
                key={index}
                className="stream-word"
                style={{ insetBlockStart: `${(index * 37) % 90}%`, animationDelay: `${-index * 0.31}s` }}
              >
                {face.text}
              </span>
            ))}
          </div>
          <p
            key={draws}
            aria-live="assertive"
            className="stream-rest panel relative flex flex-wrap justify-center gap-x-6 gap-y-2 border-2 border-secondary p-4 text-center text-3xl font-bold"
          >
            {last.length === 0 ? (
              <span className="quiet text-lg font-normal">{t('nothing')}</span>
            ) : (
              last.map((word, index) => <ShownFace key={index} face={words[word]!.face} />)
            )}
          </p>
        </div>
        {can && (
          <div className="flex flex-wrap justify-center gap-2">
            <button
              type="button"
              data-landing
              className="btn btn-primary h-12"
              disabled={waiting}
              onClick={() => send({ type: 'draw', count: 1 })}
            >
              <Waves size={20} aria-hidden="true" />
              {t('draw')}
            </button>
            <button
              type="button"
              className="btn h-12"
              disabled={waiting}
              onClick={() => send({ type: 'draw', count: TEN })}
            >
              {t('drawTen')}
            </button>
            <button
              type="button"
              className="btn btn-ghost h-12"
              disabled={draws === 0}
              onClick={() => send({ type: 'anew' })}
            >
              {t('anew')}
            </button>
          </div>
        )}
      </div>
      <section className="wall-aside" aria-label={t('tally')}>
        <h2 className="font-sans text-lg font-bold">{t('drawn', { count: draws })}</h2>
        {most.map(({ word, sentence }) => (
          <p key={word} className="panel border-primary p-2.5">
            <strong>{t('most', { count: mostCount })}</strong> <ShownFace face={words[word]!.face} />
            {(sentence.text !== '' || sentence.picture || sentence.sound !== null) && (
              <span className="block">
                <ShownFace face={sentence} />
              </span>
            )}
          </p>
        ))}
        <ol className="wall-list flex flex-col gap-1">
          {tally.map((word) => (
            <li key={word} className="flex items-baseline justify-between gap-3 border-b border-base-300">
              <ShownFace face={words[word]!.face} />
              <strong className="tabular-nums">{words[word]!.count}</strong>
            </li>
          ))}
        </ol>
      </section>
    </div>
  )
}
