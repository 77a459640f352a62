import type { UnscramblePuzzle } from '@otter/core/games/unscramble'

/** The pieces of a word, and the places they go to. */
export function Thumbnail({ puzzle: { items, direction } }: { puzzle: UnscramblePuzzle }) {
  const { pieces, mixed, by } = items[0]!
  const shown = mixed.slice(0, 8)
  return (
    <span className="flex h-full flex-col items-center justify-center gap-3" aria-hidden="true" dir={direction}>
      <span className="flex gap-1">
        {shown.map((place, index) => (
          <span
            key={place}
            className={`flex h-8 min-w-6 items-center justify-center rounded border border-base-300 bg-base-100 px-1 font-bold ${index % 2 === 0 ? 'rotate-3' : '-rotate-3'}`}
          >
            {by === 'words' ? pieces[place]!.slice(0, 6) : pieces[place]}
          </span>
        ))}
      </span>
      <span className="flex gap-1">
        {shown.map((place) => (
          <span key={place} className="h-6 min-w-6 border-b-2" />
        ))}
      </span>
    </span>
  )
}
