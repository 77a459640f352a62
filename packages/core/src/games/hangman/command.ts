import { CommandRefusal, type GameCommand } from '../command.ts'
import { difficultyOfList } from './difficulty.ts'
import type { HangmanOptions } from './options.ts'
import type { HangmanPuzzle } from './puzzle.ts'

/** The game on the command line. */
export const command: GameCommand<HangmanOptions, HangmanPuzzle> = {
  flags: {},
  optionsFrom: () => ({}),
  shown: (_puzzle, { list, options, knowledge }) => {
    const dictionary = knowledge.dictionary('en')
    if (!dictionary) throw new CommandRefusal('there is no English dictionary here')
    return {
      words: difficultyOfList(list, options, dictionary).map(({ entryId, text, difficulty }) => ({
        entryId,
        text,
        band: difficulty?.band ?? 'unknown',
        missesKnown: difficulty?.missesKnown ?? null,
        missesUnknown: difficulty?.missesUnknown ?? null,
        missesSuggested: difficulty?.missesSuggested ?? null,
      })),
    }
  },
}
