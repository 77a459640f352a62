import type { ThreadMove, ThreadView } from '@otter/core/games/thread'
import { Check } from 'lucide-react'
import { useState } from 'react'
import type { PlayProps } from '../contract.ts'
import { Said } from '../Said.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { Turns } from '../Turns.tsx'
import { useTexts } from '../../texts/texts.ts'
import { useDrag } from '../../ui/useDrag.ts'
import { useTeams } from '../../wall/atWall.ts'
import { Naming } from './Naming.tsx'
import { texts } from './texts.ts'
import { ThreadCards } from './ThreadCards.tsx'

/** Common thread as it is played: slips that are pushed about and chosen, then the link that holds them together. */
export function Play({ view, send, waiting }: PlayProps<ThreadView, ThreadMove>) {
  const t = useTexts(texts)
  const { steers } = useTeams()
  const { slips, cards, each, links, naming, wrong, misses, teams, finished } = view
  const [chosen, setChosen] = useState<readonly number[]>([])
  const [places, setPlaces] = useState<Record<number, { x: number; y: number }>>({})
  const { dragged, handlers } = useDrag<number>((item, { x, y }) => {
    const { x: left = 0, y: top = 0 } = places[item] ?? {}
    setPlaces({ ...places, [item]: { x: left + x, y: top + y } })
  })
  const loose = [...slips.keys()].filter((item) => !slips[item]!.isFound)
  const held = chosen.filter((item) => loose.includes(item))
  const isOpen = !finished && naming === null && steers
  const choose = (item: number): void =>
    setChosen(held.includes(item) ? held.filter((one) => one !== item) : [...held, item].slice(-each))
  const status = finished
    ? t('over')
    : naming
      ? t('found')
      : wrong.length > 0
        ? t('noLink')
        : t('howTo', { count: each })
  return (
    <div className="flex flex-1 flex-col gap-3">
      <Turns teams={teams} finished={finished} />
      <p className="flex justify-between gap-2 text-sm">
        <span role="status">{status}</span>
        <span className="quiet whitespace-nowrap">
          {t('links', { count: cards.filter(({ found }) => found).length, of: links })}
          {misses > 0 && ` · ${t('misses', { count: misses })}`}
        </span>
      </p>
      <Said>{wrong.length > 0 ? t('noLink') : ''}</Said>
      <ThreadCards view={view} />
      {naming && <Naming view={view} send={send} />}
      {loose.length > 0 && (
        <>
          <ul className="thread-table flex flex-1 flex-wrap content-center items-center justify-center gap-3 sm:gap-5">
            {loose.map((item, index) => {
              const { x = 0, y = 0 } = places[item] ?? {}
              const by = dragged?.id === item ? dragged : { x: 0, y: 0 }
              const isHeld = held.includes(item)
              return (
                <li
                  key={item}
                  className={`touch-none ${dragged?.id === item ? 'relative z-20' : ''}`}
                  style={{
                    transform: `translate(${x + by.x}px, ${y + by.y}px) rotate(${TILTS[item % TILTS.length]}deg)`,
                  }}
                >
                  <button
                    type="button"
                    data-landing={index === 0 || undefined}
                    aria-pressed={isHeld}
                    disabled={!isOpen}
                    className={`slip min-h-11 max-w-64 rounded border px-4 py-2 text-lg ${isHeld ? 'border-secondary bg-accent outline-2' : wrong.includes(item) ? 'border-dashed border-error' : 'border-base-300'}`}
                    onClick={() => choose(item)}
                    {...handlers(item)}
                  >
                    <ShownFace face={slips[item]!.face} />
                  </button>
                </li>
              )
            })}
          </ul>
          {isOpen && (
            <button
              type="button"
              className="btn btn-primary h-12 self-center"
              disabled={held.length !== each || waiting}
              onClick={() => {
                setChosen([])
                send({ type: 'choose', items: held })
              }}
            >
              <Check size={20} aria-hidden="true" />
              {t('together', { count: held.length, of: each })}
            </button>
          )}
        </>
      )}
    </div>
  )
}

/** Slips lie as they fell, in degrees. */
const TILTS = [-2, 1.5, -0.5, 2, -1.5, 0.5]
