import type { PairsPuzzle } from '@otter/core/games/pairs'

/** Cards on a table, two of them turned. */
export function Thumbnail({ puzzle: { couples, cards } }: { puzzle: PairsPuzzle }) {
  const up = new Set(cards.flatMap(({ couple }, index) => (couple === 0 ? [index] : [])))
  return (
    <span className="grid h-full grid-cols-4 gap-1" aria-hidden="true">
      {cards.map(({ couple, side }, index) =>
        up.has(index) ? (
          <span
            key={index}
            className="flex aspect-4/3 h-9 items-center justify-center overflow-hidden rounded border border-success bg-base-100 px-0.5 text-center text-[0.6rem] leading-none"
          >
            {couples[couple]![side].text.slice(0, 20)}
          </span>
        ) : (
          <span key={index} className="card-back aspect-4/3 h-9 rounded border border-base-300" />
        ),
      )}
    </span>
  )
}
