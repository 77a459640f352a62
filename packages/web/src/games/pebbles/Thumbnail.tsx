import type { PebblesPuzzle } from '@otter/core/games/pebbles'
import { Pebble } from './Pebble.tsx'

const SHOWN = 8

/** Some pebbles of the riverbed. */
export function Thumbnail({ puzzle: { questions } }: { puzzle: PebblesPuzzle }) {
  return (
    <span className="mx-auto grid h-full max-w-44 grid-cols-4 gap-1" aria-hidden="true">
      {questions.slice(0, SHOWN).map((_, index) => (
        <span key={index} className="relative flex items-center justify-center">
          <Pebble index={index} />
          <strong className="relative text-[#14312f]">{index + 1}</strong>
        </span>
      ))}
    </span>
  )
}
