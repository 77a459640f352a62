import { GAME_KINDS, WorkRules, type Score } from '@otter/core'
import { z } from 'zod'
import { ChangeSelf, LiveView } from './live.ts'
import { ParticipantName } from './offer.ts'

export const JoinOffer = z.object({
  /** Absent where the house gives names, or where a code brings a student back. */
  name: ParticipantName.optional(),
  /** What the same student was given on another device. */
  returnCode: z
    .string()
    .max(20)
    .transform((code) => code.replace(/[^a-z0-9]/giu, '').toUpperCase())
    .optional(),
  ...ChangeSelf.shape,
  /** Where somebody has the name already: whether this is the same student, who comes back, or another one. */
  same: z.enum(['back', 'other']).optional(),
  /** The student of the class who was tapped. */
  studentId: z.uuid().optional(),
  /** Which of several games, from 0. */
  game: z.number().int().min(0).max(20).optional(),
  /** A request that is sent again, since its reply was lost, brings in one student. */
  requestId: z.uuid().optional(),
  /** Where the token is kept: as a cookie of the browser, or by the page, which then sends it with each request. */
  keep: z.enum(['cookie', 'page']).default('cookie'),
})
export type JoinOffer = z.input<typeof JoinOffer>

/** Begins another attempt: of several games, at the one picked. */
export const PlayAgain = z.object({ game: z.number().int().min(0).max(20).optional() }).default({})
export type PlayAgain = z.input<typeof PlayAgain>

/** A moment by a device's clock, in milliseconds since 1970. */
const DeviceTime = z.number().int().min(0).max(4_000_000_000_000)

/**
 * A move. Its id makes sending it twice harmless; `for` names what it was made for, as `moment` did, and `madeAt` when,
 * by the device's clock (milliseconds since 1970). Without an id, `after` says how many moves came before it.
 */
export const SendMove = z
  .object({
    id: z.uuid().optional(),
    attempt: z.number().int().min(1).max(10_000),
    after: z.number().int().min(0).max(1_000_000).optional(),
    for: z.string().max(100).optional(),
    madeAt: DeviceTime.optional(),
    /** When this try to send it began, by the same clock: the difference is how long it had no connection. */
    sentAt: DeviceTime.optional(),
    move: z.unknown().optional(),
  })
  .refine(({ id, after }) => id !== undefined || after !== undefined, { path: ['id'] })
export type SendMove = z.input<typeof SendMove>

/**
 * What became of a move: it changed something, it changed nothing, it had come before, or it was made for what has
 * passed; then a late one is an answer that the teacher can still count.
 */
export const MoveFate = z.enum(['taken', 'void', 'repeated', 'passed', 'late'])
export type MoveFate = z.infer<typeof MoveFate>

/** A play as its player sees it. */
export const PlayState = z.object({
  attempt: z.number().int(),
  moves: z.number().int(),
  moment: z.string().nullable(),
  /** Milliseconds until what stands is over; null where it has all the time. */
  left: z.number().nullable(),
  view: z.unknown(),
  /** What comes next whatever is answered now, for a device that loses its connection: by which move, and what is seen. */
  ahead: z.array(
    z.object({
      by: z.object({ for: z.string(), move: z.unknown() }).nullable(),
      moment: z.string(),
      view: z.unknown(),
    }),
  ),
  /** Once it is over: the answers of what counts and was not right, as a student can look at them again. */
  missed: z.array(z.string()).nullable(),
  score: z.object({
    right: z.number(),
    total: z.number(),
    hints: z.number(),
    misses: z.number(),
    points: z.number(),
    bonus: z.number(),
    milliseconds: z.number(),
    finished: z.boolean(),
  }) satisfies z.ZodType<Score>,
})
export type PlayState = z.infer<typeof PlayState>

/** What a student is told of set work. */
const PlayWork = z.object({
  opensAt: z.iso.datetime().nullable(),
  /** Whether it is not open yet. */
  isEarly: z.boolean(),
  dueAt: z.iso.datetime().nullable(),
  closesAt: z.iso.datetime().nullable(),
  /** Games of which one is picked, in their order; none where there is one to play. */
  games: z.array(z.enum(GAME_KINDS)),
  /** Attempts that can still be begun; null for any number. */
  attemptsLeft: z.number().int().nullable(),
  /** How long an attempt may take, in minutes, before more time for some; null for as long as it takes. */
  minutes: z.number().int().nullable(),
  /** Milliseconds until the attempt under way is over; null where it has all the time. */
  left: z.number().int().nullable(),
  /** Whether who plays is a student of the class. */
  isStudent: z.boolean(),
  /** Whether right answers are kept back of an attempt that is over. */
  hidesAnswers: z.boolean(),
  /** When they are shown; null where they never are. */
  answersAt: z.iso.datetime().nullable(),
})

/** Who may come in where work is set, and who it would be: told as long as nobody plays. */
const PlayDoor = z.object({
  who: WorkRules.shape.who.unwrap(),
  /** By which the class's students sign in; null where it is set for no class. */
  classCode: z.string().nullable(),
  /** What the teacher says to the students. */
  note: z.string(),
  /** Names to tap. */
  names: z.array(z.object({ id: z.uuid(), name: z.string() })),
  /** Who is signed in on this device; null for nobody. */
  me: z.string().nullable(),
})

/** An offer as its students see it. */
export const PlayReply = z.object({
  kind: z.enum(GAME_KINDS),
  title: z.string(),
  /** BCP 47 code of the words. */
  language: z.string(),
  /** Whether the players learn to read. */
  early: z.boolean(),
  open: z.boolean(),
  /** When it opens, is due and closes, and what holds for it; null where nothing of the kind was set. */
  work: PlayWork.nullable(),
  door: PlayDoor.nullable(),
  /** Who plays; `waits`: until the teacher says that it is who it says to be. */
  player: z.object({ name: z.string(), waits: z.boolean() }).nullable(),
  /** What all players gave where there is no right answer, once this one has given his: the most frequent first. */
  opinions: z.array(z.object({ entryId: z.uuid(), given: z.string(), count: z.number().int() })),
  /** The play that goes on; null before a name is given. */
  play: PlayState.nullable(),
  /** What became of the move that this replies to; null where it replies to none. */
  fate: MoveFate.nullable(),
  /** The live session that it is played in; null where each plays alone. */
  live: LiveView.nullable(),
  /** Whether the link has a board. */
  board: z.boolean(),
  /** The player's token, where the page asked to keep it. */
  token: z.string().optional(),
})
export type PlayReply = z.infer<typeof PlayReply>

/** A link's board as one device sees it: the first of it, and where its player stands. */
export const BoardReply = z.object({
  span: z.enum(['week', 'all']),
  rows: z.array(z.object({ place: z.number().int(), name: z.string(), score: z.number(), isMe: z.boolean() })),
  /** The player's own score, told to this device alone; null where nothing was played to the end. */
  score: z.number().nullable(),
  /** The name that stands on the board for the player; null where there is none. */
  name: z.string().nullable(),
})
export type BoardReply = z.infer<typeof BoardReply>

/** Enters a name on the board; null takes it off. */
export const EnterBoard = z.object({ name: ParticipantName.nullable() })
export type EnterBoard = z.input<typeof EnterBoard>
