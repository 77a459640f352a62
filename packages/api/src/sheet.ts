import { GAME_KINDS } from '@otter/core'
import { z } from 'zod'
import { LANGUAGE_CODES } from './languages.ts'
import { Seed } from './offer.ts'

export const MAX_VERSIONS = 30

/** So many versions of a game, to be printed. */
export const PrintVersions = z.object({
  kind: z.enum(GAME_KINDS),
  options: z.unknown().optional(),
  seed: Seed,
  versions: z.number().int().min(1).max(MAX_VERSIONS).default(1),
})
export type PrintVersions = z.infer<typeof PrintVersions>

/** How sheets are laid out, on which paper. */
export const SheetLayout = z.object({
  paper: z.enum(['a4', 'letter']).default('a4'),
  key: z.boolean().default(true),
  /** Thin lines and pale pictures. */
  saveInk: z.boolean().default(false),
  /** Address of the on-screen game, for the QR code; absent for none. */
  code: z.string().max(12).optional(),
  /** Language of the words around the game, such as Name and Date. */
  language: z.enum(LANGUAGE_CODES).default('en'),
})
export type SheetLayout = z.infer<typeof SheetLayout>

/** What is printed: so many versions of a game, on which paper. */
export const PrintSheets = PrintVersions.extend(SheetLayout.shape)

/** Sheets that were printed, and are kept as they were. */
export const PrintReply = z.object({
  id: z.uuid(),
  kind: z.enum(GAME_KINDS),
  seed: z.string(),
  /** Version of the game's rules that made them. */
  rules: z.number().int(),
  versions: z.number().int(),
  /** When they were printed last, as an ISO 8601 time. */
  printedAt: z.string(),
})
export type PrintReply = z.infer<typeof PrintReply>

/** The sheets of a list's game that were printed, the latest first. */
export const PrintsReply = z.object({ prints: z.array(PrintReply) })
export type PrintsReply = z.infer<typeof PrintsReply>

/** Printed sheets with their puzzles, by which they can be printed again. */
export const PrintedReply = PrintReply.extend({
  listId: z.uuid(),
  title: z.string(),
  early: z.boolean(),
  puzzles: z.array(z.unknown()),
})
export type PrintedReply = z.infer<typeof PrintedReply>

/** Returns the seed of a version, counted from 1: the first version is the puzzle on the screen. */
export function versionSeed(seed: string, version: number): string {
  return version === 1 ? seed : `${seed}-${version}`
}
