import { mediaPath } from '@otter/api'
import type { ShownFace as Face } from '@otter/core'
import type { PairsMove, PairsView } from '@otter/core/games/pairs'
import type { CSSProperties } from 'react'
import type { PlayProps } from '../contract.ts'
import { wallShape } from '../wallShape.ts'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { playTexts } from '../../texts/namespaces.ts'

/** Columns for so many cards on a phone: as square as they can be. */
function columnsFor(cards: number): number {
  return cards <= 12 ? 3 : cards <= 24 ? 4 : 5
}

/** Columns for so many cards on a wall: at least as wide as high, with the fewest gaps in the last row. */
function wallColumnsFor(cards: number): number {
  const least = Math.ceil(Math.sqrt(cards))
  const most = Math.ceil(Math.sqrt(2 * cards))
  const gaps = (columns: number): number => Math.ceil(cards / columns) * columns - cards
  return Array.from({ length: most - least + 1 }, (_, more) => least + more).reduce((best, columns) =>
    gaps(columns) < gaps(best) ? columns : best,
  )
}

/** Pairs as it is played: by link, on the wall, anywhere. */
export function Play({ view, send }: PlayProps<PairsView, PairsMove>) {
  const t = useTexts(texts)
  const { cards, shown, last, turns, teams, finished } = view
  const columns = columnsFor(cards.length)
  const wallColumns = wallColumnsFor(cards.length)
  return (
    <div className="wall-split">
      <div className="wall-aside">
        <Turns teams={teams} finished={finished} />
        <p className="flex justify-between gap-2 text-sm">
          <span role="status">{last === 'none' ? t('howTo') : t(`${last}`)}</span>
          <span className="quiet whitespace-nowrap">{t('turns', { count: turns })}</span>
        </p>
        {!finished && (
          <div className="grid h-24 grid-cols-2 gap-2" aria-live="polite">
            {[0, 1].map((slot) => {
              const face = slot in shown ? cards[shown[slot]!]!.face : null
              return (
                <div
                  key={slot}
                  className={`panel flex items-center justify-center overflow-y-auto p-2 text-center leading-tight [&_img]:max-h-10 ${openSize(face?.text ?? '')} ${last === 'pair' ? 'border-success' : face ? 'border-secondary' : 'border-dashed'}`}
                >
                  {face && <ShownFace face={face} className="justify-center" />}
                </div>
              )
            })}
          </div>
        )}
      </div>
      <div className="wall-board" style={wallShape(wallColumns, Math.ceil(cards.length / wallColumns))}>
        <ol
          className="wall-fits pairs-table grid gap-2"
          style={{ '--columns': columns, '--wall-columns': wallColumns } as CSSProperties}
        >
          {cards.map(({ face, state }, index) => (
            <li key={index} className="relative aspect-square">
              <Card
                number={index + 1}
                columns={columns}
                face={face}
                state={state}
                onTurn={finished || state === 'found' ? undefined : () => send({ type: 'turn', card: index })}
              />
            </li>
          ))}
        </ol>
      </div>
    </div>
  )
}

/** A card on the table. One that is up, but no pair, can be chosen again. */
function Card({
  number,
  columns,
  face,
  state,
  onTurn,
}: {
  number: number
  columns: number
  face: Face | null
  state: PairsView['cards'][number]['state']
  onTurn: (() => void) | undefined
}) {
  const t = useTexts(texts)
  const play = useTexts(playTexts)
  if (!face)
    return (
      <button
        type="button"
        className="card-back absolute inset-0 rounded-lg border border-base-300"
        aria-label={t('down', { number })}
        onClick={onTurn}
      >
        <span className="quiet">{number}</span>
      </button>
    )
  const shape = `absolute inset-0 flex items-center justify-center overflow-hidden rounded-lg border-2 bg-base-100 p-1 text-center leading-tight wrap-break-word ${state === 'found' ? 'border-success' : 'border-secondary'} ${sizeFor(face.text, columns)}`
  const inside = face.picture ? (
    <img
      src={mediaPath(face.picture.id)}
      alt={face.picture.alt || play('picture')}
      className="max-h-full max-w-full object-contain"
    />
  ) : (
    <bdi>{face.text}</bdi>
  )
  return onTurn ? (
    <button type="button" data-fits className={shape} onClick={onTurn}>
      {inside}
    </button>
  ) : (
    <div data-fits className={shape}>
      {inside}
    </div>
  )
}

/** Letters as large as a card of a phone lets them be; smaller where many cards lie beside each other. */
function sizeFor(text: string, columns: number): string {
  const longest = Math.max(0, ...text.split(/\s+/u).map((word) => word.length))
  const room = 40 / columns
  return longest > room + 1 || text.length > room * 3
    ? 'text-xs hyphens-auto'
    : longest > room - 2 || text.length > room * 1.6
      ? 'text-sm'
      : longest > room - 4 || text.length > room * 1.2
        ? 'text-base'
        : 'text-lg'
}

/** Letters of an open card: it is read there, whatever fits on the table. */
function openSize(text: string): string {
  return text.length > 80 ? 'text-sm' : text.length > 48 ? 'text-base' : 'text-lg'
}
