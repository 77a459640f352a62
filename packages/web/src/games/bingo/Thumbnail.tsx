import type { BingoPuzzle } from '@otter/core/games/bingo'

/** A small card with a line marked. */
export function Thumbnail({
  puzzle: {
    size,
    cards: [card],
    terms,
    direction,
  },
}: {
  puzzle: BingoPuzzle
}) {
  return (
    <span
      className="mx-auto grid h-full max-w-44 gap-0.5"
      dir={direction}
      style={{ gridTemplateColumns: `repeat(${size}, minmax(0, 1fr))` }}
      aria-hidden="true"
    >
      {card!.cells.map((term, place) => (
        <span
          key={place}
          className={`flex items-center justify-center overflow-hidden rounded-sm border border-base-300 text-[0.55rem] leading-none ${Math.floor(place / size) === 1 ? 'bg-accent' : 'bg-base-100'}`}
        >
          {term === null ? '●' : terms[term]!.text.slice(0, 10)}
        </span>
      ))}
    </span>
  )
}
