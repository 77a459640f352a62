import { GAME_KINDS, MOST_TEAMS } from '@otter/core'
import { z } from 'zod'
import { EMBLEMS } from './emblems.ts'
import { CreateOffer, ParticipantName } from './offer.ts'

/** Most students who are named in one team. */
const MOST_MEMBERS = 60

/** A team as it is made. */
const NewTeam = z.object({
  name: ParticipantName,
  emblem: z.enum(EMBLEMS),
  /** Names of the students in it, where they are known. */
  members: z.array(ParticipantName).max(MOST_MEMBERS).default([]),
})

/** Opens a list as a game for teams at one wall; the same `requestId` is the same play, however often it is sent. */
export const CreateWallPlay = CreateOffer.extend({ teams: z.array(NewTeam).min(1).max(MOST_TEAMS) })
export type CreateWallPlay = z.input<typeof CreateWallPlay>

/** What is done at the wall: a move of the game, one taken back, or one done again. */
const Act = z.discriminatedUnion('type', [
  z.object({ type: z.literal('move'), move: z.unknown() }),
  z.object({ type: z.literal('undo') }),
  z.object({ type: z.literal('redo') }),
])

/** Does something at the wall, once, however often it is sent; not where the wall shows something else by now. */
export const ActAtWall = z.object({ id: z.uuid(), after: z.number().int().min(0), act: Act })
export type ActAtWall = z.input<typeof ActAtWall>

/** For whom a screen is: the teacher, with the answers, or all who look at the wall. */
export const WallScreen = z.object({ screen: z.enum(['teacher', 'wall']).default('wall') })

/** Renames teams, gives them other emblems, or says who is in them; says whether a play counts. */
export const ChangeWallPlay = z
  .object({ counts: z.boolean(), teams: z.array(NewTeam.extend({ teamId: z.uuid() })).max(MOST_TEAMS) })
  .partial()
export type ChangeWallPlay = z.input<typeof ChangeWallPlay>

/** A game on the wall as one screen has it. */
export const WallPlayReply = z.object({
  offerId: z.uuid(),
  /** The list that its game was made from; null once that is deleted. */
  listId: z.uuid().nullable(),
  kind: z.enum(GAME_KINDS),
  title: z.string(),
  /** BCP 47 code of the answers. */
  language: z.string(),
  early: z.boolean(),
  teams: z.array(
    z.object({ teamId: z.uuid(), name: z.string(), emblem: z.enum(EMBLEMS), members: z.array(z.string()) }),
  ),
  /** All that this screen may know of the game. */
  view: z.unknown(),
  standing: z.object({
    turn: z.number().int(),
    points: z.array(z.number().int()),
    timer: z.union([z.object({ endsAt: z.number() }), z.object({ left: z.number() })]).nullable(),
  }),
  /** Counts what was done. */
  revision: z.number().int(),
  /** The server's clock, in milliseconds since 1970. */
  now: z.number(),
  canUndo: z.boolean(),
  canRedo: z.boolean(),
  finished: z.boolean(),
  /** Whether its answers count among those of the class. */
  counts: z.boolean(),
  /** How many remote controls are paired. */
  remotes: z.number().int(),
})
export type WallPlayReply = z.infer<typeof WallPlayReply>

/** A code by which one remote control is paired, and how long it holds. */
export const RemoteCodeReply = z.object({ code: z.string(), until: z.iso.datetime() })
export type RemoteCodeReply = z.infer<typeof RemoteCodeReply>

/** Pairs a device as a remote control. */
export const PairRemote = z.object({ code: z.string().max(40) })
export type PairRemote = z.input<typeof PairRemote>

/** What a paired device shows itself by. */
export const RemoteReply = z.object({ token: z.string() })
export type RemoteReply = z.infer<typeof RemoteReply>
