import { gameOf, type BingoPuzzle } from '@otter/core'
import { given, Refusal, whole, type Generated } from './game.ts'

export const bingo: Generated = {
  flags: {
    cards: { type: 'string' },
    size: { type: 'string' },
    free: { type: 'boolean' },
    pattern: { type: 'string' },
    first: { type: 'string' },
    winners: { type: 'string' },
    'five-by': { type: 'string' },
  },
  prepare: (list, flags) => {
    const first = flags.first === undefined ? undefined : /^(\d+)-(\d+)$/.exec(String(flags.first))
    if (first === null) throw new Refusal(`--first must be two calls such as 12-15, not ${String(flags.first)}`)
    const game = gameOf('bingo')
    const options = game.options.parse(
      given({
        cards: whole(flags.cards, 'cards'),
        size: whole(flags.size, 'size'),
        free: flags.free === true,
        pattern: flags.pattern,
        firstWin: first && [Number(first[1]), Number(first[2])],
        winners: whole(flags.winners, 'winners'),
        fiveBy: whole(flags['five-by'], 'five-by'),
      }),
    )
    return (random) => {
      const {
        size,
        cards,
        terms,
        calls,
        forecast: { median, p5, p95, single },
        plan: { met, firstWin, winners, reachable },
      } = game.make(list, options, random) as BingoPuzzle
      const idOf = (term: number): string => terms[term].entryId
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
    }
  },
}
