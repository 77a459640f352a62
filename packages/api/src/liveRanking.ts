import { z } from 'zod'
import { Look } from './chosenLook.ts'

/** How many gave each answer to a question that is closed. */
export const Split = z.object({
  answers: z.array(z.object({ given: z.string(), right: z.boolean(), count: z.number().int() })),
  /** Who was the first to be right; null where nobody was. */
  first: z.string().nullable(),
  /** How many of each team who are here were right, in the order of the teams. */
  teams: z.array(z.object({ name: z.string(), right: z.number().int(), of: z.number().int() })),
})
export type Split = z.infer<typeof Split>

/** What all are asked now, or whose answer all are shown. */
export const LiveRound = z.object({
  entryId: z.uuid(),
  number: z.number().int(),
  of: z.number().int(),
  phase: z.enum(['asking', 'told']),
  split: Split.nullable(),
})
export type LiveRound = z.infer<typeof LiveRound>

/** One line of a ranking. */
export const RankingRow = z.object({
  place: z.number().int(),
  name: z.string(),
  look: Look.nullable(),
  /** Points, or the share that is right. */
  score: z.number(),
  right: z.number().int(),
  total: z.number().int(),
})
export type RankingRow = z.infer<typeof RankingRow>

/** One line of a ranking of teams. */
export const TeamRow = z.object({
  teamId: z.uuid(),
  place: z.number().int(),
  name: z.string(),
  score: z.number(),
  members: z.number().int(),
})
export type TeamRow = z.infer<typeof TeamRow>

/** A ranking as far as its reader may see it: the first of so many, and the teams. */
export const Ranking = z.object({
  by: z.enum(['points', 'share']),
  of: z.number().int(),
  rows: z.array(RankingRow),
  teams: z.array(TeamRow),
})
export type Ranking = z.infer<typeof Ranking>

/** Where a student stands among so many, with points of further rounds apart. */
export const LiveRank = z.object({
  place: z.number().int(),
  score: z.number(),
  effort: z.number(),
  of: z.number().int(),
})
export type LiveRank = z.infer<typeof LiveRank>

/** What a student is told of the ranking between two answers. */
export interface RankNews {
  rank: LiveRank | null
  ranking: Ranking | null
}
