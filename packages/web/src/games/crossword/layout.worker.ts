import { askedList, PuzzleError, randomFrom, type EntryList } from '@otter/core'
import { searchCrossword, type CrosswordOptions, type CrosswordPuzzle } from '@otter/core/games/crossword'

/** A crossword to look for, up to so many steps; a layout found before is not sent again. */
export interface LayoutRequest {
  list: EntryList
  options: CrosswordOptions
  seed: string
  most: number
}

/** A better layout, or how far the search has come. */
export interface LayoutAnswer {
  steps: number
  better: CrosswordPuzzle | undefined
}

/** Steps between two looks. */
const LOOK = 250_000

addEventListener('message', ({ data: { list, options, seed, most } }: MessageEvent<LayoutRequest>) => {
  try {
    const search = searchCrossword(askedList(list, options), options, randomFrom(seed))
    let last = ''
    while (search.steps < most) {
      search.advance(search.steps + LOOK)
      const puzzle = search.puzzle()
      const key = JSON.stringify(puzzle.words)
      postMessage({ steps: search.steps, better: key === last ? undefined : puzzle } satisfies LayoutAnswer)
      last = key
    }
  } catch (error) {
    if (!(error instanceof PuzzleError)) throw error
  }
})
