import type { Entry, EntryList } from '../../list/entry.ts'
import { USUAL_WORTH } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { askable } from '../../wall/askable.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { FEWEST_PEBBLES, type PebblesOptions } from './options.ts'
import type { PebblesPuzzle } from './puzzle.ts'
import { PEBBLE_POINTS } from './twists.ts'

/** Tells how many pebbles a list makes. */
export function fit(list: EntryList, { pebbles, teams }: PebblesOptions): Fit {
  const { entries, notes } = askable(list)
  const count = Math.min(pebbles, entries.length)
  const ready = count >= FEWEST_PEBBLES
  return {
    ready,
    summary: {
      code: ready ? 'ready' : 'too-few',
      entryIds: [],
      values: { count: ready ? count : FEWEST_PEBBLES - count },
    },
    notes: [
      ...notes,
      ...(ready && count % teams > 0
        ? [{ code: 'uneven', entryIds: [], values: { count: count - (count % teams), teams } }]
        : []),
    ],
  }
}

/** Lays the pebbles, so that each group has its share. Throws a PuzzleError where there are fewer than four. */
export function make(list: EntryList, options: PebblesOptions, random: Random): PebblesPuzzle {
  const { summary, ready } = fit(list, options)
  if (!ready) throw new PuzzleError(summary)
  const { answers, wrong, values, twists, seconds, teams } = options
  const drawn = random.shuffled(covering(askable(list).entries, options.pebbles, random))
  return {
    questions: drawn.map(({ id: entryId, prompt, answer, hint, fact, worth }) => ({
      entryId,
      prompt,
      answer,
      hint,
      fact,
      value: values === 'list' ? (worth ?? USUAL_WORTH) : PEBBLE_POINTS,
    })),
    answers,
    wrong,
    values,
    twists,
    seconds,
    teams,
  }
}

/** Draws entries in turn from each group, so that all are there as long as there is room. */
function covering(entries: readonly Entry[], most: number, random: Random): Entry[] {
  const byGroup = new Map<string, Entry[]>()
  for (const entry of random.shuffled(entries)) {
    const group = entry.groups[0] ?? ''
    byGroup.set(group, [...(byGroup.get(group) ?? []), entry])
  }
  const piles = random.shuffled([...byGroup.values()])
  const taken: Entry[] = []
  for (let round = 0; taken.length < Math.min(most, entries.length); round++)
    for (const pile of piles) if (pile[round] && taken.length < most) taken.push(pile[round]!)
  return taken
}
