import type { EntryList } from '../../list/entry.ts'
import { randomFrom, type Random } from '../../random/random.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { candidatesOf, chooseBoard, type DrawnBoard } from './choose.ts'
import { FEWEST_LINKS, type ThreadOptions } from './options.ts'
import type { ThreadPuzzle } from './puzzle.ts'

/** Boards that are drawn to see whether there is one, and to find a good one. */
const QUICK_DRAWS = 20
const DRAWS = 120

function quickBoard(list: EntryList, options: ThreadOptions): DrawnBoard | undefined {
  return chooseBoard(candidatesOf(list, options), { ...options, hard: 'as-drawn' }, randomFrom('fit'), QUICK_DRAWS)
}

/** Tells whether a list has links enough, and a board with one solution. */
export function fit(list: EntryList, options: ThreadOptions): Fit {
  const { byGroup } = candidatesOf(list, options)
  const count = Math.min(options.links, byGroup.size)
  if (byGroup.size < FEWEST_LINKS) {
    const note = { entryIds: [], values: { count: FEWEST_LINKS - byGroup.size, each: options.each } }
    return { ready: false, summary: { code: 'too-few', ...note }, notes: [{ code: 'give-groups', ...note }] }
  }
  if (!quickBoard(list, options)) {
    const note = { code: 'ambiguous', entryIds: [], values: {} }
    return { ready: false, summary: note, notes: [note] }
  }
  return {
    ready: true,
    summary: { code: 'ready', entryIds: [], values: { links: count, each: options.each } },
    notes:
      count < options.links
        ? [{ code: 'fewer', entryIds: [], values: { count: options.links - count, each: options.each } }]
        : [],
  }
}

/** Lays the slips. Throws a PuzzleError where there are too few links, or no board with just one solution was found. */
export function make(list: EntryList, options: ThreadOptions, random: Random): ThreadPuzzle {
  const { ready, summary } = fit(list, options)
  if (!ready) throw new PuzzleError(summary)
  const candidates = candidatesOf(list, options)
  const board = chooseBoard(candidates, options, random, DRAWS) ?? quickBoard(list, options)!
  return {
    items: random.shuffled(
      board.items.map(({ entry, text, link }) => ({ entryId: entry.id, text, face: entry.answer, link })),
    ),
    links: board.links,
    otherLinks: candidates.names.filter((name) => !board.links.includes(name)),
    each: options.each,
    say: options.say,
    teams: options.teams,
    language: list.promptLanguage || list.answerLanguage,
  }
}
