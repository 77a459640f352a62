import type { EntryList } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { PuzzleError, type Fit, type FitNote } from '../contract.ts'
import { couplesOf, joinable, mostShared, type Couple } from '../partners.ts'
import { FEWEST_PAIRS, type PairsOptions } from './options.ts'
import type { PairsPuzzle } from './puzzle.ts'

function prepared(list: EntryList, { faces }: PairsOptions): { couples: Couple[]; notes: FitNote[] } {
  if (faces === 'both-sides') return couplesOf(list.entries)
  if (faces === 'same') return couplesOf(list.entries.map((entry) => ({ ...entry, prompt: entry.answer })))
  const pictured = list.entries.flatMap((entry) => {
    const { answer, prompt } = entry
    const picture = answer.picture ?? prompt.picture
    const text = answer.text.trim() || prompt.text.trim()
    return picture && text !== '' ? [{ ...entry, prompt: { text: '', picture }, answer: { text } }] : []
  })
  const bare = list.entries.length - pictured.length
  const { couples, notes } = couplesOf(pictured)
  return {
    couples,
    notes: bare > 0 ? [...notes, { code: 'no-picture', entryIds: [], values: { count: bare } }] : notes,
  }
}

/** Tells whether a list has pairs enough. */
export function fit(list: EntryList, options: PairsOptions): Fit {
  const { couples, notes } = prepared(list, options)
  const pairs = joinable(mostShared(couples), options.pairs).length
  const ready = pairs >= FEWEST_PAIRS
  return {
    ready,
    summary: {
      code: ready ? 'ready' : 'too-few',
      entryIds: [],
      values: { count: ready ? pairs : FEWEST_PAIRS - pairs },
    },
    notes,
  }
}

/** Lays the cards. Throws a PuzzleError where there are fewer than four pairs. */
export function make(list: EntryList, options: PairsOptions, random: Random): PairsPuzzle {
  const all = prepared(list, options).couples
  const drawn = joinable(random.shuffled(all), options.pairs)
  // Where faces come twice, chance may begin with a couple that keeps many others away.
  const sure = joinable(mostShared(all), options.pairs)
  if (sure.length < FEWEST_PAIRS)
    throw new PuzzleError({
      code: 'too-few',
      entryIds: [],
      values: { count: FEWEST_PAIRS - sure.length },
    })
  const couples = sure.length > drawn.length ? sure : drawn
  const cards = random.shuffled(
    couples.flatMap((_, couple) => [
      { couple, side: 'prompt' as const },
      { couple, side: 'answer' as const },
    ]),
  )
  return { couples, cards, players: options.players }
}
