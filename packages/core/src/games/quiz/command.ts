import type { GameCommand } from '../command.ts'
import type { QuizOptions } from './options.ts'
import type { QuizPuzzle } from './puzzle.ts'

/** The game on the command line. */
export const command: GameCommand<QuizOptions, QuizPuzzle> = {
  flags: {},
  optionsFrom: () => ({}),
  shown: ({ questions }) => ({
    questions: questions.map(({ entryId, prompt, choices }) => ({
      entryId,
      prompt: prompt.text,
      choices: choices.map(({ face, right }) => ({ text: face.text, right })),
    })),
  }),
}
