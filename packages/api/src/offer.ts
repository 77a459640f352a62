import {
  cleanText,
  Correction,
  GAME_KINDS,
  LiveRules,
  MOST_TEAMS,
  PlayRules,
  WorkRules,
  type Doing,
  type Outcome,
} from '@otter/core'
import { z } from 'zod'
import { EMBLEMS } from './emblems.ts'

/** A seed as a person may type it. */
export const Seed = z
  .string()
  .min(1)
  .max(40)
  .transform((seed) => cleanText(seed).trim())
  .pipe(z.string().min(1))

/** What a teacher calls an offer, such as "Tuesday group"; empty for none. */
export const OfferName = z
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

/** A site, such as "school.example" or "https://*.school.example", as a source of CSP. */
const Site = z
  .string()
  .trim()
  .toLowerCase()
  .max(200)
  .transform((site) => (/^https?:\/\//u.test(site) ? site : `https://${site}`).replace(/\/+$/u, ''))
  .pipe(z.string().regex(/^https?:\/\/(?:\*\.)?[a-z0-9](?:[a-z0-9.-]*[a-z0-9])?(?::\d{1,5})?$/u, 'no-site'))

/** A link's own board, where names may be entered for the fun of it. */
export const Board = z.object({
  /** Which of a student's attempts count: the first, the best, or all together. */
  by: z.enum(['first', 'best', 'sum']),
  /** Attempts of this week alone, or of all time. */
  span: z.enum(['week', 'all']),
  /** Attempts before are in the record, and not on the board. */
  since: z.iso.datetime().nullable().default(null),
})
export type Board = z.infer<typeof Board>

/** Closes an offer or opens it again, names it, archives it (which closes it) or restores it, or stops the clocks of all its plays. */
export const ChangeOffer = z
  .object({
    open: z.boolean(),
    name: OfferName,
    paused: z.boolean(),
    archived: z.boolean(),
    /** Sites that may show it in a frame; null for none, an empty list for all. */
    frames: z.array(Site).max(20).nullable(),
    /** Its board; null for none. With `again` it begins anew, and the record stays. */
    board: Board.omit({ since: true })
      .extend({ again: z.boolean().default(false) })
      .nullable(),
  })
  .partial()
export type ChangeOffer = z.input<typeof ChangeOffer>

/** Who takes part in an offer, and who has its page open now. */
export const HereReply = z.object({
  students: z.array(z.object({ participantId: z.uuid(), name: z.string(), here: z.boolean() })),
})
export type HereReply = z.infer<typeof HereReply>

/** Says how many terms the teacher has called for all who play. */
export const CallTerms = z.object({ calls: z.number().int().min(0).max(1000) })
export type CallTerms = z.input<typeof CallTerms>

/** An offer's game with its answers, as its teacher leads it: and the players whose bingo, or the like, was checked. */
export const LeadReply = z.object({
  kind: z.enum(GAME_KINDS),
  puzzle: z.unknown(),
  calls: z.number().int(),
  winners: z.array(z.object({ participantId: z.uuid(), name: z.string(), seat: z.number().int() })),
})
export type LeadReply = z.infer<typeof LeadReply>

/** Rules of an offer: how its games are played, by each alone, live, or by teams at one wall. */
export const OfferRules = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('link'),
    play: PlayRules.prefault({}),
    work: WorkRules.prefault({}),
    board: Board.nullable().default(null),
  }),
  z.object({ type: z.literal('live'), play: PlayRules.prefault({}), live: LiveRules }),
  z.object({
    type: z.literal('wall'),
    play: PlayRules.prefault({}),
    teams: z.number().int().min(1).max(MOST_TEAMS),
  }),
])
export type OfferRules = z.infer<typeof OfferRules>

/** A game given to students. */
export const OfferReply = z.object({
  id: z.uuid(),
  /** The list that its game was made from; null once that is deleted. */
  listId: z.uuid().nullable(),
  name: z.string(),
  title: z.string(),
  kind: z.enum(GAME_KINDS),
  code: z.string(),
  /** The class that it is set for, and when it is due; null where it is for none, or has no time. */
  classId: z.uuid().nullable(),
  className: z.string().nullable(),
  dueAt: z.iso.datetime().nullable(),
  open: z.boolean(),
  archived: z.boolean(),
  seed: z.string(),
  /** As they were chosen when its game was made; what a game of an earlier version had is left out. */
  options: z.record(z.string(), z.unknown()),
  createdAt: z.iso.datetime(),
  players: z.number().int(),
  /** Whether its teacher leads the game, such as by calling. */
  led: z.boolean(),
  /** How its live session stands; null for a link. */
  live: z.enum(['lobby', 'running', 'paused', 'over']).nullable(),
  /** How many teams play it at one wall; null where none do. */
  teams: z.number().int().nullable(),
  /** Sites that may show it in a frame; null for none, an empty list for all. */
  frames: z.array(z.string()).nullable(),
  /** Its board; null for none. */
  board: Board.nullable(),
  /** Whether the list has changed since the game was made. */
  outdated: z.boolean(),
})
export type OfferReply = z.infer<typeof OfferReply>

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

/** Says whether a participant who wants to come back is who it says to be. */
export const AnswerReturn = z.object({ same: z.boolean() })
export type AnswerReturn = z.input<typeof AnswerReturn>

const Participant = z.object({ participantId: z.uuid(), name: z.string() })
/** What a response came to. */
export const OutcomeCode = z.enum(['right', 'wrong', 'passed', 'opinion']) satisfies z.ZodType<Outcome>
const DoingNow = z.object({
  code: z.string(),
  values: z.record(z.string(), z.union([z.string(), z.number()])),
  last: z.array(OutcomeCode),
}) satisfies z.ZodType<Doing>

/** One student in one offer. */
export const ParticipantResult = Participant.extend({
  /** The student of the class who it is; null for a guest. */
  studentId: z.uuid().nullable(),
  removed: z.boolean(),
  /** Whether it says to be the student who has its name, and waits for the teacher's word. */
  waits: z.boolean(),
  /** Participants who are the same person: their attempts are among this one's. */
  merged: z.array(Participant),
  /** Of the best attempt, and of the first, so that a restart wipes nothing. */
  right: z.number().int(),
  firstRight: z.number().int(),
  total: z.number().int(),
  points: z.number(),
  hints: z.number().int(),
  /** Tries that came to nothing: lines that are no word, turns that make no pair. */
  misses: z.number().int(),
  /** Of what was asked again as a second try, how much was right. */
  second: z.object({ right: z.number().int(), total: z.number().int() }),
  milliseconds: z.number(),
  attempts: z.number().int(),
  /** The attempt last begun; null where none is. */
  lastPlayId: z.uuid().nullable(),
  finished: z.boolean(),
  /** What the attempt last begun is doing, with its last outcomes, the newest last; null once it is over. */
  doing: DoingNow.nullable(),
  /** So many times as much time as others have. */
  factor: z.number(),
  /** Whether answers came too late that can still be counted. */
  late: z.boolean(),
  lastSeenAt: z.iso.datetime(),
})
export type ParticipantResult = z.infer<typeof ParticipantResult>

/** Says how answers to a question count; nothing said takes a correction back. */
export const CorrectQuestion = Correction.omit({ entryId: true })
export type CorrectQuestion = z.input<typeof CorrectQuestion>

/** What the class gave to one question, each student's first attempt that met it. */
export const QuestionResult = z.object({
  entryId: z.uuid(),
  text: z.string(),
  /** Whether it has a right answer; an opinion has none. */
  counts: z.boolean(),
  right: z.number().int(),
  wrong: z.number().int(),
  passed: z.number().int(),
  /** Students who were asked, but stopped before it or are not there yet. */
  notReached: z.number().int(),
  /**
   * What was most often given and is not right, and by how many students; of an opinion, all that was given, with its
   * share.
   */
  given: z.array(z.object({ given: z.string(), count: z.number().int(), share: z.number() })),
})
export type QuestionResult = z.infer<typeof QuestionResult>

/** A team at the wall: what it has, and what its answers came to. */
export const TeamResult = z.object({
  teamId: z.uuid(),
  name: z.string(),
  emblem: z.enum(EMBLEMS),
  members: z.array(z.string()),
  points: z.number().int(),
  right: z.number().int(),
  wrong: z.number().int(),
  passed: z.number().int(),
})
export type TeamResult = z.infer<typeof TeamResult>

/** How a question has proved: see the core's figures. */
export const QuestionFigures = z.object({
  entryId: z.uuid(),
  difficulty: z.enum(['easy', 'middling', 'hard']).nullable(),
  telling: z.enum(['tells-well', 'tells-little', 'tells-nothing', 'against']).nullable(),
  /** Whether those who know most miss it, or one wrong answer leads. */
  perhapsMiskeyed: z.boolean(),
})
export type QuestionFigures = z.infer<typeof QuestionFigures>

export const ResultsReply = z.object({
  offer: OfferReply,
  participants: z.array(ParticipantResult),
  /** Teams at one wall; none where students play. */
  teams: z.array(TeamResult),
  questions: z.array(QuestionResult),
  /** How the questions have proved; null where nothing can be told of it, such as where students judge themselves. */
  figures: z.object({ reliability: z.number().nullable(), questions: z.array(QuestionFigures) }).nullable(),
  /** What the teacher has said of questions since the game was shared. */
  corrections: z.array(Correction),
})
export type ResultsReply = z.infer<typeof ResultsReply>

/**
 * Who gave which answer to a question: each student's first attempt that met it, right ones last. A delayed one waited on
 * its device for a connection: it counts from when it was given. A late one counts by the teacher's word.
 */
export const AnswersReply = z.object({
  answers: z.array(
    Participant.extend({
      outcome: OutcomeCode,
      given: z.string(),
      milliseconds: z.number(),
      delayed: z.boolean(),
      late: z.boolean(),
    }),
  ),
})
export type AnswersReply = z.infer<typeof AnswersReply>

/** What a student answered too late, as it would count; offline where it waited on its device for a connection. */
export const LateAnswers = z.object({
  answers: z.array(z.object({ text: z.string(), given: z.string(), outcome: OutcomeCode, wasOffline: z.boolean() })),
})
export type LateAnswers = z.infer<typeof LateAnswers>
