import type { WorddrawPuzzle } from '@otter/core/games/worddraw'

const SHOWN = 4

/** Some words afloat. */
export function Thumbnail({ puzzle: { words } }: { puzzle: WorddrawPuzzle }) {
  return (
    <span
      className="stream mx-auto flex h-full max-w-48 flex-col justify-around overflow-hidden p-1 text-xs"
      aria-hidden="true"
    >
      {words.slice(0, SHOWN).map(({ entryId, face }, index) => (
        <span key={entryId} className="truncate" style={{ marginInlineStart: `${(index * 23) % 50}%` }}>
          {face.text}
        </span>
      ))}
    </span>
  )
}
