import { cleanText, type GameKind, type Score } from '@otter/core'
import { z } from 'zod'

export const JoinLink = z.object({
  name: z.string().max(200).transform((name) => cleanText(name).replace(/\s+/gu, ' ').trim()).pipe(z.string().min(1).max(40)),
})
export type JoinLink = z.input<typeof JoinLink>

/** A move, and how many moves were made before it, so that sending it twice counts once. */
export const SendMove = z.object({ attempt: z.number().int().min(1), after: z.number().int().min(0), move: z.unknown().optional() })
export type SendMove = z.input<typeof SendMove>

/** A link as its students see it. */
export interface PlayReply {
  kind: GameKind
  title: string
  /** BCP 47 code of the words. */
  language: string
  /** Whether the players learn to read. */
  early: boolean
  open: boolean
  player: { name: string } | null
  /** What all players gave where there is no right answer, once this one has given his: the most frequent first. */
  opinions: { entryId: string; given: string; count: number }[]
  /** The play that goes on; null before a name is given. */
  play: { attempt: number; moves: number; view: unknown; score: Score } | null
}
