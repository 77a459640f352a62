import type { SortingPuzzle } from '@otter/core/games/sorting'

const SHOWN = 2

/** The first groups with what belongs in them. */
export function Thumbnail({ puzzle: { groups, items } }: { puzzle: SortingPuzzle }) {
  return (
    <span className="mx-auto grid h-full max-w-44 grid-cols-2 gap-1 overflow-hidden text-xs" aria-hidden="true">
      {groups.slice(0, SHOWN).map((group, place) => (
        <span key={group} className="flex min-w-0 flex-col gap-1 rounded border border-base-300 p-1">
          <strong className="truncate">{group}</strong>
          {items
            .filter((item) => item.groups[0] === place)
            .slice(0, 2)
            .map(({ entryId, face, text }) => (
              <span key={entryId} className="slip truncate rounded border border-base-300 px-1">
                {face.text || text}
              </span>
            ))}
        </span>
      ))}
    </span>
  )
}
