import type { Entry, EntryList } from '../../list/entry.ts'
import { isEmptyFace } from '../../list/face.ts'
import type { Random } from '../../random/random.ts'
import { foldText } from '../../text/foldText.ts'
import { isUnique, overlaps } from './links.ts'
import { FEWEST_LINKS, type ThreadOptions } from './options.ts'

/** An entry drawn for a board, and the link that it stands for. */
interface DrawnItem {
  entry: Entry
  text: string
  groups: readonly string[]
  link: number
}

/** A board as it is drawn. */
export interface DrawnBoard {
  links: string[]
  items: DrawnItem[]
}

/** Groups of a list that are large enough for a link, with their entries. */
export interface Candidates {
  byGroup: Map<string, Entry[]>
  /** All groups of the list. */
  names: string[]
}

/** Returns the groups of a list with what could be on slips: each text once. */
export function candidatesOf(list: EntryList, { each, leaveOut }: ThreadOptions): Candidates {
  const out = new Set(leaveOut)
  const seen = new Set<string>()
  const byGroup = new Map<string, Entry[]>()
  for (const entry of list.entries) {
    const key = `${foldText(entry.answer.text)} ${entry.answer.picture?.id ?? ''} ${entry.answer.sound?.id ?? ''}`
    if (out.has(entry.id) || isEmptyFace(entry.answer) || seen.has(key)) continue
    seen.add(key)
    for (const group of entry.groups) byGroup.set(group, [...(byGroup.get(group) ?? []), entry])
  }
  const names = [...byGroup.keys()]
  return { names, byGroup: new Map([...byGroup].filter(([, entries]) => entries.length >= each)) }
}

/**
 * Draws a board on which just one way to part the slips fits all that is known of them: of so many draws, the one with
 * fewest or most slips that could mislead, or the first. Returns undefined where none of them is such a board.
 */
export function chooseBoard(
  { byGroup }: Candidates,
  { links: most, each, hard }: ThreadOptions,
  random: Random,
  draws: number,
): DrawnBoard | undefined {
  const count = Math.min(most, byGroup.size)
  if (count < FEWEST_LINKS) return undefined
  let best: { board: DrawnBoard; misleading: number } | undefined
  for (let draw = 0; draw < draws; draw++) {
    const board = drawBoard(byGroup, count, each, random)
    if (!board || !isUnique(board.items, each)) continue
    if (hard === 'as-drawn') return board
    const misleading = overlaps(board.items, board.links).length
    const isBetter =
      hard === 'harder' ? misleading > (best?.misleading ?? -1) : misleading < (best?.misleading ?? Infinity)
    if (isBetter) best = { board, misleading }
  }
  return best?.board
}

/** Draws groups and entries of each; undefined where a group is left without entries of its own. */
function drawBoard(
  byGroup: ReadonlyMap<string, Entry[]>,
  count: number,
  each: number,
  random: Random,
): DrawnBoard | undefined {
  const links = random.shuffled([...byGroup.keys()]).slice(0, count)
  const taken = new Set<string>()
  const items: DrawnItem[] = []
  for (const [link, name] of links.entries()) {
    const free = random.shuffled(byGroup.get(name)!).filter(({ id }) => !taken.has(id))
    if (free.length < each) return undefined
    for (const entry of free.slice(0, each)) {
      taken.add(entry.id)
      items.push({ entry, text: entry.answer.text.trim(), groups: entry.groups, link })
    }
  }
  return { links, items }
}
