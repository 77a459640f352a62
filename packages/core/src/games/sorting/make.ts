import type { Entry, EntryList } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import type { Random } from '../../random/random.ts'
import { PuzzleError, type Fit, type FitNote } from '../contract.ts'
import { FEWEST_GROUPS, FEWEST_ITEMS, type SortingOptions } from './options.ts'
import type { SortingItem, SortingPuzzle } from './puzzle.ts'

/** Returns what is shown of an entry. */
function faceOf({ answer, prompt }: Entry, shows: SortingOptions['shows']): Face {
  if (shows === 'both') {
    const text = [answer.text.trim(), prompt.text.trim()].filter((one) => one !== '').join(' · ')
    const picture = answer.picture ?? prompt.picture
    const sound = answer.sound ?? prompt.sound
    return { text, ...(picture && { picture }), ...(sound && { sound }) }
  }
  return shows === 'answer' ? answer : prompt
}

interface Prepared {
  groups: string[]
  items: SortingItem[]
  notes: FitNote[]
}

function prepared(list: EntryList, { groups: most, shows }: SortingOptions): Prepared {
  const sizes = new Map<string, number>()
  for (const { groups } of list.entries) for (const group of groups) sizes.set(group, (sizes.get(group) ?? 0) + 1)
  const names = [...sizes.keys()]
  const largest = [...names].sort((one, other) => sizes.get(other)! - sizes.get(one)!).slice(0, most)
  const groups = names.filter((name) => largest.includes(name))
  const seen = new Set<string>()
  const bare: string[] = []
  const items = list.entries.flatMap((entry): SortingItem[] => {
    const face = faceOf(entry, shows)
    const own = groups.flatMap((group, place) => (entry.groups.includes(group) ? [place] : []))
    if (isEmptyFace(face)) return []
    if (entry.groups.length === 0) bare.push(entry.id)
    const key = JSON.stringify([face.text.trim().toLowerCase(), face.picture?.id, face.sound?.id])
    if (own.length === 0 || seen.has(key)) return []
    seen.add(key)
    return [{ entryId: entry.id, text: entry.answer.text.trim() || entry.prompt.text.trim(), face, groups: own }]
  })
  const double = items.filter((item) => item.groups.length > 1)
  return {
    groups,
    items,
    notes: [
      ...(groups.length >= FEWEST_GROUPS && bare.length > 0
        ? [{ code: 'no-group', entryIds: bare, values: { count: bare.length } }]
        : []),
      ...(double.length > 0
        ? [{ code: 'double', entryIds: double.map(({ entryId }) => entryId), values: { count: double.length } }]
        : []),
    ],
  }
}

/** Tells whether a list has groups to sort into, and entries enough. */
export function fit(list: EntryList, options: SortingOptions): Fit {
  const { groups, items, notes } = prepared(list, options)
  const isGrouped = groups.length >= FEWEST_GROUPS
  const count = Math.min(items.length, options.items)
  const ready = isGrouped && count >= FEWEST_ITEMS
  return {
    ready,
    summary: ready
      ? { code: 'ready', entryIds: [], values: { count, groups: groups.length } }
      : isGrouped
        ? { code: 'too-few', entryIds: [], values: { count: FEWEST_ITEMS - count } }
        : { code: 'no-groups', entryIds: [], values: {} },
    notes: isGrouped ? notes : [{ code: 'give-groups', entryIds: [], values: {} }, ...notes],
  }
}

/** Draws what is sorted, from each group its share. Throws a PuzzleError where there are no groups, or too few entries. */
export function make(list: EntryList, options: SortingOptions, random: Random): SortingPuzzle {
  const { groups, items } = prepared(list, options)
  const { ready, summary } = fit(list, options)
  if (!ready) throw new PuzzleError(summary)
  const piles = groups.map((_, group) => random.shuffled(items.filter((item) => item.groups[0] === group)))
  const drawn: SortingItem[] = []
  const most = Math.min(options.items, items.length)
  for (let round = 0; drawn.length < most; round++)
    for (const pile of piles) if (pile[round] && drawn.length < most) drawn.push(pile[round]!)
  return { groups, items: random.shuffled(drawn), check: options.check, teams: options.teams }
}
