import { createEmptyCard, fsrs, Rating, type Card } from 'ts-fsrs'

/** An answer that says something of what a student remembers: what was passed over counts as not known. */
export interface Recall {
  entryId: string
  outcome: 'right' | 'wrong' | 'passed'
  /** Hints taken for it. */
  hints: number
  /** Milliseconds since 1970. */
  at: number
}

/** How well a student knows an entry by now. */
export type MemoryWord = 'well' | 'shaky' | 'forgotten' | 'not-yet'

/** What a student remembers of an entry. */
export interface Remembered {
  entryId: string
  word: MemoryWord
  /** How likely it is recalled now, from 0 to 1. */
  recall: number
  answers: number
  right: number
  lastAt: number
}

/** From how likely recall something is known well, and below what it is forgotten. */
const WELL = 0.9
const FORGOTTEN = 0.7
/** Answers of one sitting say the same thing once, in milliseconds. */
const SITTING = 10 * 60_000
/** Longest that anything is believed to be remembered, in days: a term. */
const LONGEST_DAYS = 120

const SCHEDULER = fsrs({ enable_fuzz: false, maximum_interval: LONGEST_DAYS })

/**
 * Returns what a student remembers of each entry, by all answers given (FSRS, Ye 2022–2024): the least likely recalled
 * first. Of one sitting the first answer counts: what was just read is no memory.
 *
 * @param recalls in any order
 * @param now milliseconds since 1970
 */
export function rememberedOf(recalls: readonly Recall[], now: number): Remembered[] {
  const byEntry = new Map<string, Recall[]>()
  for (const recall of [...recalls].sort((one, other) => one.at - other.at)) {
    const known = byEntry.get(recall.entryId)
    if (known) known.push(recall)
    else byEntry.set(recall.entryId, [recall])
  }
  return [...byEntry.values()]
    .map((history) => rememberedFrom(history, now))
    .sort((one, other) => one.recall - other.recall || other.lastAt - one.lastAt)
}

function rememberedFrom(history: readonly Recall[], now: number): Remembered {
  const [first] = history
  const last = history.at(-1)!
  let card: Card = createEmptyCard(new Date(first!.at))
  let heldAt = -Infinity
  for (const recall of history) {
    if (recall.at - heldAt < SITTING) continue
    heldAt = recall.at
    card = SCHEDULER.next(card, new Date(recall.at), ratingOf(recall)).card
  }
  const right = history.filter(({ outcome }) => outcome === 'right').length
  const recall = right === 0 ? 0 : SCHEDULER.get_retrievability(card, new Date(Math.max(now, heldAt)), false)
  return {
    entryId: last.entryId,
    word: wordOf(recall, right > 0, last.outcome === 'right'),
    recall,
    answers: history.length,
    right,
    lastAt: last.at,
  }
}

function ratingOf({ outcome, hints }: Recall): Rating.Again | Rating.Hard | Rating.Good {
  if (outcome !== 'right') return Rating.Again
  return hints > 0 ? Rating.Hard : Rating.Good
}

function wordOf(recall: number, wasRight: boolean, isRight: boolean): MemoryWord {
  if (!wasRight) return 'not-yet'
  if (recall < FORGOTTEN) return 'forgotten'
  return isRight && recall >= WELL ? 'well' : 'shaky'
}
