import { cleanText, GAME_KINDS, type GameKind } from '@otter/core'
import { z } from 'zod'

/** A seed as a person may type it. */
export const Seed = z.string().min(1).max(40).transform((seed) => cleanText(seed).trim()).pipe(z.string().min(1))

/** Shares a list as a game: the same list, options and seed give the link that is there already. */
export const CreateLink = z.object({ kind: z.enum(GAME_KINDS), options: z.unknown().optional(), seed: Seed })
export type CreateLink = z.input<typeof CreateLink>

export const ChangeLink = z.object({ open: z.boolean() })
export type ChangeLink = z.infer<typeof ChangeLink>

export interface LinkReply {
  id: string
  listId: string
  kind: GameKind
  code: string
  open: boolean
  seed: string
  createdAt: string
  players: number
  /** Whether the list has changed since the game was made. */
  outdated: boolean
}

/** One student on one link. */
export interface PlayerResult {
  playerId: string
  name: string
  /** Of the best attempt, and of the first, so that a restart wipes nothing. */
  found: number
  firstFound: number
  total: number
  hints: number
  milliseconds: number
  attempts: number
  finished: boolean
  lastSeenAt: string
}

/** How many students found one word. */
export interface EntryResult {
  entryId: string
  text: string
  foundBy: number
  /** What was most often given instead, and by how many students. */
  wrong: { given: string; count: number }[]
}

export interface ResultsReply {
  link: LinkReply
  title: string
  players: PlayerResult[]
  entries: EntryResult[]
}
