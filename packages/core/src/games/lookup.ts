import type { WordKnowledge } from '../text/judging/knowledge.ts'
import type { Things, ThingsWanted } from '../text/things.ts'

/** What has to be looked up for a list before a game can be made of it. */
export interface Lookup {
  /** Whether the words of the answers' language are needed. */
  words: boolean
  things: ThingsWanted
}

/** Nothing has to be. */
export const NO_LOOKUP: Lookup = { words: false, things: { names: [], beside: false } }

/** What was looked up. */
export interface LookedUp {
  words: WordKnowledge
  things: Things
}
