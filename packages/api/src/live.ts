import { GAME_KINDS, HostCommand, LiveEnd, LiveRules, WAY_KINDS } from '@otter/core'
import { z } from 'zod'
import { CreateOffer, OutcomeCode, ParticipantName } from './offer.ts'
import { LiveRound, Ranking, LiveRank } from './liveRanking.ts'
import { Look } from './chosenLook.ts'

/** Opens a live session of a list as a game; the same `requestId` is the same session, however often it is sent. */
export const CreateLive = CreateOffer.extend({
  live: LiveRules.prefault({}),
  /** Names to tap, where they are from a list. */
  roster: z.array(ParticipantName).max(1000).default([]),
  /** The class that plays: its names are tapped, and what comes of it is its students'. */
  classId: z.uuid().optional(),
})
export type CreateLive = z.input<typeof CreateLive>

/** What a host wants, and the revision of the session that the host's screen showed: of two at once, one is done. */
export const SendCommand = z.object({ command: HostCommand, revision: z.number().int().min(0) })
export type SendCommand = z.input<typeof SendCommand>

/** Changes a student's otter, or the note by which the teacher knows who it is. */
export const ChangeSelf = z
  .object({
    look: Look,
    note: z
      .string()
      .max(200)
      .transform((note) => note.trim().slice(0, 60)),
    teamId: z.uuid(),
    /** A new name for the own team. */
    teamName: ParticipantName,
  })
  .partial()
export type ChangeSelf = z.input<typeof ChangeSelf>

/** Lets the name that a student typed in, or keeps the made-up one. */
export const AnswerName = z.object({ allowed: z.boolean() })
export type AnswerName = z.input<typeof AnswerName>

const Phase = z.enum(['lobby', 'running', 'paused', 'over'])

const Left = z.object({ whole: z.number().nullable(), asked: z.number().nullable() })

/** A live session as one student's screen may know it. */
export const LiveView = z.object({
  offerId: z.uuid(),
  revision: z.number().int(),
  way: z.enum(WAY_KINDS),
  inStep: z.boolean(),
  phase: Phase,
  locked: z.boolean(),
  left: Left,
  names: z.enum(['typed', 'given', 'list']),
  /** Names that nobody has yet, before one is tapped. */
  roster: z.array(z.string()),
  /** Teams, where students choose theirs. */
  teams: z.array(z.object({ teamId: z.uuid(), name: z.string() })),
  me: z
    .object({
      participantId: z.uuid(),
      look: Look.nullable(),
      note: z.string(),
      /** The name that waits for the teacher's word. */
      heldName: z.string().nullable(),
      /** What brings this student back on another device. */
      returnCode: z.string(),
      team: z.object({ name: z.string(), members: z.array(z.string()) }).nullable(),
      /** The own place; null while none is told. */
      rank: LiveRank.nullable(),
    })
    .nullable(),
  round: LiveRound.nullable(),
  ranking: Ranking.nullable(),
  /** Whether who is done early may play another round. */
  rounds: z.boolean(),
})
export type LiveView = z.infer<typeof LiveView>

/** One student of a session, as the teacher sees it. Moments are ISO texts. */
export const HostStudent = z.object({
  participantId: z.uuid(),
  seat: z.number().int(),
  name: z.string(),
  heldName: z.string().nullable(),
  note: z.string(),
  look: Look.nullable(),
  teamId: z.uuid().nullable(),
  /** Whether it says to be the student who has its name, and waits for the teacher's word. */
  waits: z.boolean(),
  removed: z.boolean(),
  connected: z.boolean(),
  goneAt: z.number().nullable(),
  joinedAt: z.number(),
  moves: z.number().int(),
  /** Whether the student has made a move in the first round; the clock makes some for those who did not. */
  begun: z.boolean(),
  met: z.number().int(),
  right: z.number().int(),
  total: z.number().int(),
  points: z.number(),
  effort: z.number(),
  rounds: z.number().int(),
  doing: z.object({ code: z.string(), values: z.record(z.string(), z.union([z.string(), z.number()])) }).nullable(),
  last: z.array(OutcomeCode),
  lastAt: z.number(),
  done: z.boolean(),
  /** Whether answers came too late that can still be counted. */
  late: z.boolean(),
})
export type HostStudent = z.infer<typeof HostStudent>

/** How the class stands with one question or word. */
export const HostQuestion = z.object({
  entryId: z.uuid(),
  text: z.string(),
  counts: z.boolean(),
  right: z.number().int(),
  wrong: z.number().int(),
  passed: z.number().int(),
  /** The wrong answers given most, the most frequent first. */
  given: z.array(z.object({ given: z.string(), count: z.number().int() })),
})
export type HostQuestion = z.infer<typeof HostQuestion>

/** A session as its own row has it, for whoever hosts it or shows it. */
export const LiveFacts = z.object({
  revision: z.number().int(),
  phase: Phase,
  locked: z.boolean(),
  left: Left,
  end: LiveEnd,
  startedAt: z.number().nullable(),
  endedBy: z.enum(['host', 'time', 'points', 'all-done', 'played-out', 'absence']).nullable(),
  pausedBy: z.enum(['host', 'absence']).nullable(),
  round: LiveRound.nullable(),
  /** The view of the game as the reader may see it, where all are asked the same; null else. */
  view: z.unknown(),
  now: z.number(),
})
export type LiveFacts = z.infer<typeof LiveFacts>

/** A team of a session. */
export const LiveTeam = z.object({ teamId: z.uuid(), name: z.string() })
export type LiveTeam = z.infer<typeof LiveTeam>

/** What a session is, whoever looks at it. */
const LiveFrame = z.object({
  id: z.uuid(),
  listId: z.uuid().nullable(),
  title: z.string(),
  name: z.string(),
  kind: z.enum(GAME_KINDS),
  /** BCP 47 code of the words. */
  language: z.string(),
  early: z.boolean(),
  code: z.string(),
  /** What students type to find the server, and the whole address of this session. */
  door: z.string(),
  address: z.url(),
  way: z.enum(WAY_KINDS),
  inStep: z.boolean(),
  facts: LiveFacts,
})

/** A session as its teacher sees it. */
export const HostState = LiveFrame.extend({
  rules: LiveRules,
  /** Whether the teacher leads the game, such as by calling. */
  led: z.boolean(),
  teams: z.array(LiveTeam),
  students: z.array(HostStudent),
  questions: z.array(HostQuestion),
})
export type HostState = z.infer<typeof HostState>

/** What changes of a session on the wall. */
export const WallNow = z.object({
  facts: LiveFacts,
  /** How many are here, and the first names in the order in which they came. */
  here: z.number().int(),
  names: z.array(z.object({ name: z.string(), look: Look.nullable(), team: z.string().nullable() })),
  /** How many have answered what all are asked. */
  answered: z.number().int(),
  /** What was right, of all that was asked: what the class did together. */
  found: z.object({ right: z.number().int(), total: z.number().int() }),
  ranking: Ranking.nullable(),
  /** The team that names what comes next; null where nobody does. */
  chooser: z.string().nullable(),
})
export type WallNow = z.infer<typeof WallNow>

/** A session as the class sees it on the wall: nothing in it is private. */
export const WallState = LiveFrame.extend(WallNow.shape)
export type WallState = z.infer<typeof WallState>

/** What has changed in what a host sees: whole rows. */
export const HostChanges = z.object({
  facts: LiveFacts.optional(),
  students: z.array(HostStudent).optional(),
  /** Participants who are there no more. */
  left: z.array(z.uuid()).optional(),
  questions: z.array(HostQuestion).optional(),
  teams: z.array(LiveTeam).optional(),
})
export type HostChanges = z.infer<typeof HostChanges>

/** What a student has answered so far, the newest first. */
export const StudentAnswers = z.object({
  answers: z.array(
    z.object({
      text: z.string(),
      given: z.string(),
      outcome: OutcomeCode,
      round: z.enum(['first', 'second', 'back']),
      points: z.number(),
      milliseconds: z.number(),
      hints: z.number().int(),
    }),
  ),
})
export type StudentAnswers = z.infer<typeof StudentAnswers>

/** Plays what a class missed once more, as a new list of this title; the same `requestId` is one session. */
export const LiveAgain = z.object({ title: z.string().min(1).max(200), requestId: z.uuid() })
export type LiveAgain = z.input<typeof LiveAgain>

/** A pass by which a screen opens its socket, for a minute. */
export const PassReply = z.object({ pass: z.string() })
export type PassReply = z.infer<typeof PassReply>
