import type { Entry } from './entry.ts'

/** What became of an entry with the students of a teacher: how often it was answered first, and how often right. */
export interface Proved {
  met: number
  right: number
}

/** How hard an entry is, from 0 to 1: the share that misses it; and whether students have shown it. */
export interface Hardness {
  hardness: number
  proved: boolean
}

/** So many answers weigh as much as the estimate; from so many on, an entry counts as proved. */
const ESTIMATE_WEIGHS = 3
const ENOUGH = 3
/** Letters of an answer, and words of it, at which it is about as hard as answers get. */
const LONG = 24
const MANY = 5

/** Estimates how hard an entry is that nobody was asked: longer answers, of more words, are harder to recall. */
function estimate({ answer, prompt }: Pick<Entry, 'answer' | 'prompt'>): number {
  const text = answer.text.trim()
  const length = Math.min(1, text.length / LONG)
  const words = Math.min(1, (text.split(/\s+/u).length - 1) / MANY)
  const bare = prompt.picture === undefined ? 0.1 : 0
  return 0.2 + 0.35 * length + 0.15 * words + bare
}

/** Returns how hard an entry is: by the estimate, and by what became of it as far as that is known. */
export function hardnessOf(entry: Pick<Entry, 'answer' | 'prompt'>, proved: Proved | undefined): Hardness {
  const expected = estimate(entry)
  if (!proved) return { hardness: expected, proved: false }
  const missed = proved.met - proved.right
  return {
    hardness: (missed + ESTIMATE_WEIGHS * expected) / (proved.met + ESTIMATE_WEIGHS),
    proved: proved.met >= ENOUGH,
  }
}
