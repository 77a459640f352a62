import type { FlashcardsPuzzle } from '@otter/core/games/flashcards'

/** The first card on the others. */
export function Thumbnail({
  puzzle: {
    cards: [card],
  },
}: {
  puzzle: FlashcardsPuzzle
}) {
  return (
    <span className="relative mx-auto mt-1 block h-20 w-36" aria-hidden="true">
      <span className="card-back absolute inset-0 translate-x-2 translate-y-2 rotate-3 rounded-lg border border-base-300" />
      <span className="absolute inset-0 flex items-center justify-center overflow-hidden rounded-lg border border-base-300 bg-base-100 p-2 text-center text-sm leading-tight">
        {card!.front.text.slice(0, 60) || card!.back.text}
      </span>
    </span>
  )
}
