import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { fixed: 'both' }],
  hidden: {},
  move: (below) => {
    const pieces = 3 + below(5)
    const turned = below(pieces)
    return (
      [
        { type: 'lay', order: Array.from({ length: pieces }, (_, place) => (place + turned) % pieces) },
        { type: 'hint' },
        { type: 'skip' },
        { type: 'next' },
      ][below(4)] ?? {}
    )
  },
}
