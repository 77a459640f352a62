import type { QuizPuzzle } from '@otter/core/games/quiz'

/** The first question with its choices. */
export function Thumbnail({ puzzle: { questions } }: { puzzle: QuizPuzzle }) {
  const { prompt, choices } = questions[0]!
  return (
    <span className="flex h-full flex-col justify-center gap-1 px-2 text-xs leading-tight" aria-hidden="true">
      <span className="line-clamp-2 font-bold">{prompt.text}</span>
      {choices.slice(0, 3).map(({ face }, index) => (
        <span key={index} className="truncate rounded border border-base-300 px-1">
          <strong>{String.fromCharCode(65 + index)}</strong> {face.text}
        </span>
      ))}
    </span>
  )
}
