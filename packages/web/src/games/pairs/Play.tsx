import type { PairsMove, PairsView } from '@otter/core'
import { useTranslation } from 'react-i18next'
import type { PlayProps } from '../contract.ts'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'

/** Columns for so many cards on a phone: as square as they can be. */
function columnsFor(cards: number): number {
  return cards <= 12 ? 3 : cards <= 24 ? 4 : 5
}

/** Pairs as it is played: by link, on the wall, anywhere. */
export function Play({ view, send }: PlayProps<PairsView, PairsMove>) {
  const { t } = useTranslation()
  const { cards, last, turns, players, finished } = view
  const columns = columnsFor(cards.length)
  return (
    <div className="flex flex-col gap-3">
      {players.length > 0 && <Turns players={players.map(({ pairs, turn }) => ({ points: pairs, turn: turn && !finished }))} name="pairs.player" />}
      <p className="flex justify-between gap-2 text-sm"><span role="status">{last === 'none' ? t('pairs.howTo') : t(`pairs.${last}`)}</span><span className="quiet whitespace-nowrap">{t('pairs.turns', { count: turns })}</span></p>
      <ol className="grid gap-2" style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
        {cards.map(({ face, state }, index) => (
          <li key={index} className="relative aspect-square">
            {state === 'down' || !face
              ? <button type="button" className="card-back absolute inset-0 rounded-lg border border-base-300" aria-label={t('pairs.down', { number: index + 1 })} onClick={() => send({ type: 'turn', card: index })}><span className="quiet">{index + 1}</span></button>
              : <div className={`absolute inset-0 flex items-center justify-center overflow-hidden rounded-lg border-2 bg-base-100 p-1 text-center leading-tight wrap-break-word ${state === 'found' ? 'border-success' : 'border-secondary'} ${sizeFor(face.text)}`}><ShownFace face={face} className="flex-col [&_img]:max-h-14" /></div>}
          </li>
        ))}
      </ol>
    </div>
  )
}

function sizeFor(text: string): string {
  const longest = Math.max(0, ...text.split(/\s+/u).map((word) => word.length))
  return longest > 11 || text.length > 28 ? 'text-xs hyphens-auto' : longest > 8 || text.length > 16 ? 'text-sm' : 'text-base'
}
