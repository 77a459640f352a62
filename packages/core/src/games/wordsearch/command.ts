import { CommandRefusal, givenValues, wholeNumber, type GameCommand } from '../command.ts'
import type { WordSearchOptions } from './options.ts'
import type { WordSearchPuzzle } from './puzzle.ts'

/** The game on the command line. */
export const command: GameCommand<WordSearchOptions, WordSearchPuzzle> = {
  flags: {
    rows: { type: 'string' },
    cols: { type: 'string' },
    size: { type: 'string' },
    directions: { type: 'string' },
    message: { type: 'string' },
    case: { type: 'string' },
    accents: { type: 'string' },
  },
  optionsFrom: (flags) => {
    const rows = wholeNumber(flags.rows, 'rows')
    const cols = wholeNumber(flags.cols, 'cols')
    if ((rows === undefined) !== (cols === undefined)) throw new CommandRefusal('give both --rows and --cols')
    return givenValues({
      size: rows === undefined ? flags.size : 'chosen',
      rows,
      cols,
      directions: wholeNumber(flags.directions, 'directions'),
      message: flags.message,
      letterCase: flags.case,
      accents: flags.accents,
    })
  },
  shown: ({ rows, words, unplaced }) => ({
    rows,
    words: words.map(({ entryId, text, row, col, dRow, dCol }) => ({ entryId, text, row, col, dRow, dCol })),
    unplaced: unplaced.map(({ entryId, text, why, others }) => ({
      entryId,
      text,
      why: others.length > 0 ? `${why}: ${others.join(', ')}` : why,
    })),
  }),
}
