import type { GameKind, Score } from '@otter/core'
import { z } from 'zod'
import { ParticipantName } from './offer.ts'

export const JoinOffer = z.object({
  name: ParticipantName,
  /** Where the token is kept: as a cookie of the browser, or by the page, which then sends it with each request. */
  keep: z.enum(['cookie', 'page']).default('cookie'),
})
export type JoinOffer = z.input<typeof JoinOffer>

/** Header by which a page sends the token that it keeps. */
export const TOKEN_HEADER = 'X-Otter-Player'

/**
 * A move. Its id makes sending it twice harmless; `for` names what it was made for, as `moment` did, and `madeAt`
 * when, by
 * the device's clock (milliseconds since 1970). Without an id, `after` says how many moves came before it.
 */
export const SendMove = z
  .object({
    id: z.uuid().optional(),
    attempt: z.number().int().min(1).max(10_000),
    after: z.number().int().min(0).max(1_000_000).optional(),
    for: z.string().max(100).optional(),
    madeAt: z.number().int().min(0).max(4_000_000_000_000).optional(),
    move: z.unknown().optional(),
  })
  .refine(({ id, after }) => id !== undefined || after !== undefined, { path: ['id'] })
export type SendMove = z.input<typeof SendMove>

/**
 * What became of a move: it changed something, it changed nothing, it had come before, or it was made for what has
 * passed.
 */
export type MoveFate = 'taken' | 'void' | 'repeated' | 'passed'

/** A play as its player sees it. */
export interface PlayState {
  attempt: number
  moves: number
  moment: string | null
  /** Milliseconds until what stands is over; null where it has all the time. */
  left: number | null
  view: unknown
  score: Score
}

/** An offer as its students see it. */
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
  play: PlayState | null
  /** What became of the move that this replies to; null where it replies to none. */
  fate: MoveFate | null
  /** The player's token, where the page asked to keep it. */
  token?: string
}
