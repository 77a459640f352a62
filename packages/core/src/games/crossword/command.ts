import { CommandRefusal, givenValues, wholeNumber, type GameCommand } from '../command.ts'
import { EFFORT, type CrosswordOptions } from './options.ts'
import type { CrosswordPuzzle } from './puzzle.ts'

/** The game on the command line. */
export const command: GameCommand<CrosswordOptions, CrosswordPuzzle> = {
  flags: {
    aim: { type: 'string' },
    effort: { type: 'string' },
    shape: { type: 'string' },
    steps: { type: 'string' },
    case: { type: 'string' },
    accents: { type: 'string' },
  },
  optionsFrom: (flags) => {
    const effort = flags.effort ?? 'quick'
    if (effort !== 'quick' && effort !== 'thorough')
      throw new CommandRefusal(`--effort must be quick or thorough, not ${effort}`)
    return givenValues({
      aim: flags.aim,
      shape: flags.shape,
      steps: wholeNumber(flags.steps, 'steps') ?? EFFORT[effort],
      letterCase: flags.case,
      accents: flags.accents,
    })
  },
  shown: ({ rows, cols, words, unplaced }) => ({
    rows,
    cols,
    words: words.map(({ entryId, text, row, col, dir, number }) => ({ entryId, text, row, col, dir, number })),
    unplaced,
  }),
}
