import { gameOf, type WordSearchPuzzle } from '@otter/core'
import { given, Refusal, whole, type Generated } from './game.ts'

export const wordsearch: Generated = {
  flags: {
    rows: { type: 'string' },
    cols: { type: 'string' },
    size: { type: 'string' },
    directions: { type: 'string' },
    message: { type: 'string' },
    case: { type: 'string' },
    accents: { type: 'string' },
  },
  prepare: (list, flags) => {
    const rows = whole(flags.rows, 'rows')
    const cols = whole(flags.cols, 'cols')
    if ((rows === undefined) !== (cols === undefined)) throw new Refusal('give both --rows and --cols')
    const game = gameOf('wordsearch')
    const options = game.options.parse(
      given({
        size: rows === undefined ? flags.size : 'chosen',
        rows,
        cols,
        directions: whole(flags.directions, 'directions'),
        message: flags.message,
        letterCase: flags.case,
        accents: flags.accents,
      }),
    )
    return (random) => {
      const puzzle = game.make(list, options, random) as WordSearchPuzzle
      return {
        rows: puzzle.rows,
        words: puzzle.words.map(({ entryId, text, row, col, dRow, dCol }) => ({ entryId, text, row, col, dRow, dCol })),
        unplaced: puzzle.unplaced.map(({ entryId, text, why, others }) => ({
          entryId,
          text,
          why: others.length > 0 ? `${why}: ${others.join(', ')}` : why,
        })),
      }
    }
  },
}
