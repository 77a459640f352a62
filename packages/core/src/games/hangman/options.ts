import { z } from 'zod'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const SCENES = ['kelp', 'lanterns', 'boat'] as const
export type Scene = (typeof SCENES)[number]

/** Misses that each scene has by itself. */
export const SCENE_MISSES: Record<Scene, number> = { kelp: 8, lanterns: 7, boat: 6 }

/** What a teacher chooses for hangman. */
export const HangmanOptions = z.strictObject({
  ...ASKING,
  scene: z.enum(SCENES).default('kelp'),
  /** Misses that lose a word; null for the scene's own. */
  misses: z.number().int().min(3).max(12).nullable().default(null),
  /** Whether é is asked as e, or as a letter of its own. */
  accents: z.enum(['kept', 'folded']).default('folded'),
  /** Whether the prompt is shown from the start, or only as the hint. */
  clue: z.enum(['shown', 'hint']).default('shown'),
  order: z.enum(['random', 'list']).default('random'),
  /** Letters that each word begins with, its own first ones. */
  freeLetters: z.number().int().min(0).max(2).default(0),
  /** Teams that take turns at one screen; 1 for a student or a class as one. */
  teams: z.number().int().min(1).max(MOST_TEAMS).default(1),
})
export type HangmanOptions = z.infer<typeof HangmanOptions>
