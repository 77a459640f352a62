import type { ReadingDirection, ShownFace as Face } from '@otter/core'
import { ShownFace } from '../ShownFace.tsx'
import { squareSize } from './squareSize.ts'

interface CardProps {
  size: number
  direction: ReadingDirection
  squares: (Face | null)[]
  marked: readonly number[]
  won: readonly number[]
  free: string
  onMark?: (place: number) => void
}

/** A bingo card whose squares can be marked. */
export function Card({ size, direction, squares, marked, won, free, onMark }: CardProps) {
  return (
    <div
      className="mx-auto grid w-full max-w-xl gap-1"
      dir={direction}
      style={{ gridTemplateColumns: `repeat(${size}, minmax(0, 1fr))`, containerType: 'inline-size' }}
    >
      {squares.map((square, place) => {
        const isOn = square === null || marked.includes(place)
        const look = `flex aspect-square min-w-0 flex-col items-center justify-center overflow-hidden rounded border p-0.5 text-center leading-tight ${won.includes(place) ? 'border-2 border-success bg-accent font-bold' : isOn ? 'border-secondary bg-accent' : 'border-base-300 bg-base-100'}`
        const fontSize = `clamp(0.75rem, ${squareSize(square?.text ?? '', size)}cqi, 1.75rem)`
        if (square === null)
          return (
            <div key={place} className={look}>
              <span className="quiet text-sm">{free}</span>
            </div>
          )
        if (!onMark)
          return (
            <div key={place} className={look} style={{ fontSize }}>
              <ShownFace face={square} />
            </div>
          )
        return (
          <button
            key={place}
            type="button"
            aria-pressed={isOn}
            className={`${look} min-h-11 cursor-pointer`}
            style={{ fontSize }}
            onClick={() => onMark(place)}
          >
            {square.picture || square.sound !== null ? (
              <ShownFace face={square} />
            ) : (
              <bdi className="max-w-full break-words hyphens-auto">{square.text}</bdi>
            )}
            {isOn && (
              <span aria-hidden="true" className="text-success">
                ✓
              </span>
            )}
          </button>
        )
      })}
    </div>
  )
}
