import { z } from 'zod'
import { MAX_GROUP } from '../../list/entry.ts'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const MOST_COLUMNS = 8
export const FEWEST_TILES = 3
export const MOST_TILES = 6

/** What a teacher chooses for a quiz board. */
export const QuizboardOptions = z.strictObject({
  ...ASKING,
  columns: z.number().int().min(1).max(MOST_COLUMNS).default(5),
  /** Questions in each column, the deeper the harder. */
  tiles: z.number().int().min(FEWEST_TILES).max(MOST_TILES).default(5),
  /** By what questions lie deeper: how hard they have proved, or their points. */
  depth: z.enum(['proved', 'worth']).default('proved'),
  /** Whether a column that lacks questions gets some of the list that no other has. */
  fill: z.boolean().default(false),
  /** Columns as the teacher has laid them, with their entries; none: by the list's groups. */
  laid: z
    .array(z.strictObject({ name: z.string().max(MAX_GROUP), entryIds: z.array(z.uuid()).max(MOST_TILES) }))
    .max(MOST_COLUMNS)
    .default([]),
  /** What a wrong answer costs: nothing, or what the question is worth. */
  wrong: z.enum(['nothing', 'points']).default('nothing'),
  /** Whether all teams answer one last question in writing, the hardest that was not met. */
  dive: z.boolean().default(true),
  /** Seconds for a question; 0 for no limit. */
  seconds: z.number().int().min(0).max(600).default(0),
  /** How questions are answered where everyone has a device. */
  form: z.enum(['choice', 'typed', 'mixed']).default('choice'),
  teams: z.number().int().min(1).max(MOST_TEAMS).default(4),
})
export type QuizboardOptions = z.infer<typeof QuizboardOptions>
