import { cleanText, GAME_KINDS, PlayRules, type Doing, type GameKind, type Outcome } from '@otter/core'
import { z } from 'zod'

/** A seed as a person may type it. */
export const Seed = z
  .string()
  .min(1)
  .max(40)
  .transform((seed) => cleanText(seed).trim())
  .pipe(z.string().min(1))

/** What a teacher calls an offer, such as "Tuesday group"; empty for none. */
const OfferName = z
  .string()
  .max(200)
  .transform((name) => cleanText(name).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().max(100))

/**
 * Shares a list as a game: makes a new offer. The same list, options and seed are the same version of the game; the
 * same
 * `requestId` is the same offer, however often it is sent.
 */
export const CreateOffer = z.object({
  kind: z.enum(GAME_KINDS),
  options: z.unknown().optional(),
  seed: Seed,
  name: OfferName.default(''),
  requestId: z.uuid().optional(),
  rules: PlayRules.prefault({}),
})
export type CreateOffer = z.input<typeof CreateOffer>

/** Closes an offer or opens it again, names it, or stops the clocks of all its plays. */
export const ChangeOffer = z.object({ open: z.boolean(), name: OfferName, paused: z.boolean() }).partial()
export type ChangeOffer = z.input<typeof ChangeOffer>

/** Rules of an offer: how its games are played. */
export const OfferRules = z.object({ type: z.literal('link'), play: PlayRules.prefault({}) })
export type OfferRules = z.infer<typeof OfferRules>

/** A game given to students. */
export interface OfferReply {
  id: string
  /** The list that its game was made from; null once that is deleted. */
  listId: string | null
  name: string
  title: string
  kind: GameKind
  code: string
  open: boolean
  seed: string
  createdAt: string
  players: number
  /** Whether the list has changed since the game was made. */
  outdated: boolean
}

/** A student's name as it is kept. */
export const ParticipantName = z
  .string()
  .max(200)
  .transform((name) => cleanText(name).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().min(1).max(40))

/** Renames a participant, takes one out or lets one back in, or gives one more time: so many times as much. */
export const ChangeParticipant = z
  .object({ name: ParticipantName, removed: z.boolean(), factor: z.number().min(1).max(4) })
  .partial()
export type ChangeParticipant = z.input<typeof ChangeParticipant>

/** Says that a participant is the same person as another; null: is not. */
export const MergeParticipant = z.object({ into: z.uuid().nullable() })
export type MergeParticipant = z.input<typeof MergeParticipant>

/** One student in one offer. */
export interface ParticipantResult {
  participantId: string
  name: string
  removed: boolean
  /** Participants who are the same person: their attempts are among this one's. */
  merged: { participantId: string; name: string }[]
  /** Of the best attempt, and of the first, so that a restart wipes nothing. */
  right: number
  firstRight: number
  total: number
  points: number
  hints: number
  /** Tries that came to nothing: lines that are no word, turns that make no pair. */
  misses: number
  /** Of what was asked again as a second try, how much was right. */
  second: { right: number; total: number }
  milliseconds: number
  attempts: number
  /** The attempt last begun; null where none is. */
  lastPlayId: string | null
  finished: boolean
  /** What the attempt last begun is doing, with its last outcomes, the newest last; null once it is over. */
  doing: (Doing & { last: Outcome[] }) | null
  /** So many times as much time as others have. */
  factor: number
  lastSeenAt: string
}

/** What the class gave to one question, each student's first attempt that met it. */
export interface QuestionResult {
  entryId: string
  text: string
  /** Whether it has a right answer; an opinion has none. */
  counts: boolean
  right: number
  wrong: number
  passed: number
  /** Students who were asked, but stopped before it or are not there yet. */
  notReached: number
  /**
   * What was most often given and is not right, and by how many students; of an opinion, all that was given, with its
   * share.
   */
  given: { given: string; count: number; share: number }[]
}

export interface ResultsReply {
  offer: OfferReply
  participants: ParticipantResult[]
  questions: QuestionResult[]
}

/** Who gave which answer to a question: each student's first attempt that met it, right ones last. */
export interface AnswersReply {
  answers: { participantId: string; name: string; outcome: Outcome; given: string; milliseconds: number }[]
}
