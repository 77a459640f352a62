import { GAME_KINDS } from '@otter/core'
import { z } from 'zod'
import { LANGUAGE_CODES } from './languages.ts'
import { Seed } from './offer.ts'

export const MAX_VERSIONS = 30

/** What is printed: so many versions of a game, on which paper. */
export const PrintSheets = z.object({
  kind: z.enum(GAME_KINDS),
  options: z.unknown().optional(),
  seed: Seed,
  versions: z.number().int().min(1).max(MAX_VERSIONS).default(1),
  paper: z.enum(['a4', 'letter']).default('a4'),
  key: z.boolean().default(true),
  /** Thin lines and pale pictures. */
  saveInk: z.boolean().default(false),
  /** Address of the on-screen game, for the QR code; absent for none. */
  code: z.string().max(12).optional(),
  /** Language of the words around the game, such as Name and Date. */
  language: z.enum(LANGUAGE_CODES).default('en'),
})
export type PrintSheets = z.infer<typeof PrintSheets>

/** Returns the seed of a version, counted from 1: the first version is the puzzle on the screen. */
export function versionSeed(seed: string, version: number): string {
  return version === 1 ? seed : `${seed}-${version}`
}
