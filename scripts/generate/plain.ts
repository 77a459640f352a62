import { gameOf, type GameKind, type QuizPuzzle } from '@otter/core'
import type { Generated } from './game.ts'

/** A game with its default options: the puzzle as it is. */
export function plain(kind: GameKind): Generated {
  return {
    flags: {},
    prepare: (list) => {
      const game = gameOf(kind)
      const options = game.options.parse({})
      return (random) => game.make(list, options, random) as object
    },
  }
}

export const quiz: Generated = {
  flags: {},
  prepare: (list, flags) => {
    const make = plain('quiz').prepare(list, flags)
    return (random) => ({
      questions: (make(random) as QuizPuzzle).questions.map(({ entryId, prompt, choices }) => ({
        entryId,
        prompt: prompt.text,
        choices: choices.map(({ face, right }) => ({ text: face.text, right })),
      })),
    })
  },
}
