import { CommandRefusal, givenValues, wholeNumber, type GameCommand } from '../command.ts'
import type { BingoOptions } from './options.ts'
import type { BingoPuzzle } from './puzzle.ts'

/** The game on the command line. */
export const command: GameCommand<BingoOptions, BingoPuzzle> = {
  flags: {
    cards: { type: 'string' },
    size: { type: 'string' },
    free: { type: 'boolean' },
    pattern: { type: 'string' },
    first: { type: 'string' },
    winners: { type: 'string' },
    'five-by': { type: 'string' },
  },
  optionsFrom: (flags) => {
    const first = flags.first === undefined ? undefined : /^(\d+)-(\d+)$/.exec(String(flags.first))
    if (first === null) throw new CommandRefusal(`--first must be two calls such as 12-15, not ${String(flags.first)}`)
    return givenValues({
      cards: wholeNumber(flags.cards, 'cards'),
      size: wholeNumber(flags.size, 'size'),
      free: flags.free === true,
      pattern: flags.pattern,
      firstWin: first && [Number(first[1]), Number(first[2])],
      winners: wholeNumber(flags.winners, 'winners'),
      fiveBy: wholeNumber(flags['five-by'], 'five-by'),
    })
  },
  shown: ({ size, cards, terms, calls, forecast, plan }) => {
    const idOf = (term: number): string => terms[term]!.entryId
    const { median, p5, p95, single } = forecast
    const { met, firstWin, winners, reachable } = plan
    return {
      size,
      cards: cards.map(({ number, cells }) => ({
        number,
        cells: Array.from({ length: size }, (_, row) =>
          cells.slice(row * size, (row + 1) * size).map((term) => (term === null ? null : idOf(term))),
        ),
      })),
      calls: calls.map(idOf),
      forecast: { median, p5, p95, single },
      plan: { met, firstWin, winners, reachable },
    }
  },
}
