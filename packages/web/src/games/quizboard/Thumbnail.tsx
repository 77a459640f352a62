import type { QuizboardPuzzle } from '@otter/core/games/quizboard'

/** The first columns under their buoys. */
export function Thumbnail({ puzzle: { columns, questions } }: { puzzle: QuizboardPuzzle }) {
  return (
    <span className="mx-auto grid h-full w-full max-w-44 grid-cols-3 gap-1 overflow-hidden text-xs" aria-hidden="true">
      {columns.slice(0, 3).map(({ name, items }, column) => (
        <span key={column} className="flex min-w-0 flex-col gap-1">
          <span className="truncate border-b-2 border-secondary text-center font-bold">{name || column + 1}</span>
          {items.slice(0, 3).map((item) => (
            <span key={item} className="rounded border border-base-300 bg-base-100 text-center">
              {questions[item]!.value}
            </span>
          ))}
        </span>
      ))}
    </span>
  )
}
