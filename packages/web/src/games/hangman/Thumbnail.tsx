import type { HangmanPuzzle } from '@otter/core/games/hangman'
import { Scene } from './Scene.tsx'

/** A scene and the gaps of the first word, half of its letters there. */
export function Thumbnail({
  puzzle: {
    words: [word],
    scene,
    misses,
    direction,
  },
}: {
  puzzle: HangmanPuzzle
}) {
  return (
    <span className="flex h-full flex-col items-center justify-center" aria-hidden="true">
      <span className="w-32">
        <Scene scene={scene} misses={misses} missesMade={2} outcome={null} />
      </span>
      <span className="flex gap-1 font-bold" dir={direction}>
        {word!.characters.slice(0, 12).map(({ shown, letter }, index) => (
          <span key={index} className={`min-w-3 text-center leading-tight ${letter === null ? '' : 'border-b-2'}`}>
            {letter === null || index % 2 === 0 ? shown : ' '}
          </span>
        ))}
      </span>
    </span>
  )
}
