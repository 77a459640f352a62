import type { ThreadPuzzle } from '@otter/core/games/thread'

const SHOWN = 6

/** Some slips of the table. */
export function Thumbnail({ puzzle: { items } }: { puzzle: ThreadPuzzle }) {
  return (
    <span
      className="mx-auto flex h-full max-w-48 flex-wrap content-center justify-center gap-1.5 overflow-hidden text-xs"
      aria-hidden="true"
    >
      {items.slice(0, SHOWN).map(({ entryId, text }, index) => (
        <span
          key={entryId}
          className={`slip max-w-24 truncate rounded border border-base-300 px-1.5 py-0.5 ${index % 2 ? 'rotate-2' : '-rotate-2'}`}
        >
          {text}
        </span>
      ))}
    </span>
  )
}
