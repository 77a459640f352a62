import type { TileView } from '@otter/core/games/quizboard'
import { useRef, type CSSProperties, type KeyboardEvent } from 'react'
import { useTexts } from '../../texts/texts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { Emblem } from '../../wall/Emblem.tsx'
import { Buoys } from './Buoys.tsx'
import { texts } from './texts.ts'

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

interface BoardProps {
  columns: readonly { name: string; tiles: TileView[] }[]
  /** Absent where it is only looked at. */
  onOpen: ((item: number) => void) | undefined
  /** What a used question that no team has is called. */
  unowned: 'nobody' | 'asked'
}

/** A cut through the water: columns hang from buoys, the deeper the harder. */
export function Board({ columns, onOpen, unowned }: BoardProps) {
  const t = useTexts(texts)
  const board = useRef<HTMLDivElement>(null)
  const all = columns.reduce((sum, { tiles }) => sum + tiles.length, 0)
  const used = columns.reduce((sum, { tiles }) => sum + tiles.filter(({ state }) => state === 'used').length, 0)
  const depth = Math.max(...columns.map(({ tiles }) => tiles.length))
  const onKeyDown = (event: KeyboardEvent): void => {
    const arrow = ARROWS[event.key]
    const from = (event.target as HTMLElement).dataset.place?.split(' ').map(Number)
    if (!arrow || !from) return
    event.preventDefault()
    const ahead = document.documentElement.dir === 'rtl' ? -arrow[0] : arrow[0]
    const column = (from[0]! + ahead + columns.length) % columns.length
    const row = Math.min(columns[column]!.tiles.length - 1, Math.max(0, from[1]! + arrow[1]))
    board.current?.querySelector<HTMLElement>(`[data-place="${column} ${row}"]`)?.focus()
  }
  return (
    <div ref={board} className="quizboard flex flex-1 flex-col" onKeyDown={onKeyDown}>
      <Buoys
        names={columns.map(({ name }, column) => name || String(column + 1))}
        filled={used / all}
        label={t('used', { used, all })}
      />
      <div
        className="grid flex-1 auto-rows-fr"
        style={{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))` }}
      >
        {Array.from({ length: depth }, (_, row) =>
          columns.map(({ tiles, name }, column) => (
            <div key={`${column} ${row}`} className="quizboard-depth flex p-1.5 sm:p-2.5" style={depthOf(row)}>
              {tiles[row] && (
                <Tile
                  tile={tiles[row]}
                  place={`${column} ${row}`}
                  column={name || String(column + 1)}
                  isFirst={column === 0 && row === 0}
                  onOpen={onOpen}
                  unowned={unowned}
                />
              )}
            </div>
          )),
        )}
      </div>
    </div>
  )
}

/** Tells how deep a row lies. */
function depthOf(row: number): CSSProperties {
  return { '--depth': row } as CSSProperties
}

interface TileProps {
  tile: TileView
  place: string
  column: string
  isFirst: boolean
  onOpen: BoardProps['onOpen']
  unowned: BoardProps['unowned']
}

/** One question of the board; a used one keeps the emblem of the team that got it, and can be looked at again. */
function Tile({ tile: { item, value, state, team }, place, column, isFirst, onOpen, unowned }: TileProps) {
  const t = useTexts(texts)
  const { teams } = useTeams()
  const used = state === 'used'
  const owner = team === null ? undefined : teams[team]
  return (
    <button
      type="button"
      data-place={place}
      data-landing={isFirst || undefined}
      disabled={!onOpen}
      className={`quizboard-tile flex w-full min-w-0 items-center justify-center gap-2 rounded-lg px-2 py-1 ${used ? 'quizboard-used' : ''}`}
      onClick={() => onOpen?.(item)}
    >
      <span className="sr-only">
        {!used
          ? t('tile', { column, value })
          : owner
            ? t('tileOf', { column, value, team: owner.name })
            : t('tileOf', { column, value, team: t(unowned) })}
      </span>
      <span aria-hidden="true" className="flex min-w-0 items-center gap-2">
        {used ? (
          <>
            {owner && <Emblem name={owner.emblem} size={24} />}
            <span className="hidden truncate sm:inline">{owner ? owner.name : t(unowned)}</span>
          </>
        ) : (
          <>
            <strong className="text-2xl tabular-nums">{value}</strong>
            <span className="quiet hidden truncate text-sm lg:inline">{t('fathoms', { count: value / 10 })}</span>
          </>
        )}
      </span>
    </button>
  )
}
