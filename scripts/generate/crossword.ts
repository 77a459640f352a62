import { EFFORT, gameOf, type CrosswordPuzzle } from '@otter/core'
import { given, Refusal, whole, type Generated } from './game.ts'

export const crossword: Generated = {
  flags: {
    aim: { type: 'string' },
    effort: { type: 'string' },
    shape: { type: 'string' },
    steps: { type: 'string' },
    case: { type: 'string' },
    accents: { type: 'string' },
  },
  prepare: (list, flags) => {
    const effort = flags.effort ?? 'quick'
    if (effort !== 'quick' && effort !== 'thorough')
      throw new Refusal(`--effort must be quick or thorough, not ${effort}`)
    const game = gameOf('crossword')
    const options = game.options.parse(
      given({
        aim: flags.aim,
        shape: flags.shape,
        steps: whole(flags.steps, 'steps') ?? EFFORT[effort],
        letterCase: flags.case,
        accents: flags.accents,
      }),
    )
    return (random) => {
      const { rows, cols, words, unplaced } = game.make(list, options, random) as CrosswordPuzzle
      return {
        rows,
        cols,
        words: words.map(({ entryId, text, row, col, dir, number }) => ({ entryId, text, row, col, dir, number })),
        unplaced,
      }
    }
  },
}
