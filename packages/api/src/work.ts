import { cleanText, GAME_KINDS, MOST_KINDS, PlayRules, WorkRules } from '@otter/core'
import { z } from 'zod'
import { OfferName, Seed } from './offer.ts'

/** Most classes that work is set for at once. */
const MOST_AT_ONCE = 20
/** Longest note to students, in characters. */
const LONGEST_NOTE = 1000

/** A moment as it is sent (ISO 8601); null for none. */
const Moment = z.iso.datetime({ offset: true }).nullable().default(null)

/** Tells whether work opens before it is due, and is due before it closes. */
function isInOrder({ opensAt, dueAt, closesAt }: Record<'opensAt' | 'dueAt' | 'closesAt', string | null>): boolean {
  const given = [opensAt, dueAt, closesAt].filter((one) => one !== null).map((one) => Date.parse(one))
  return given.every((moment, index) => index === 0 || given[index - 1]! <= moment)
}

const Note = z
  .string()
  .max(LONGEST_NOTE)
  .transform((note) => cleanText(note).trim())

/** What holds for set work: as it is, and as it is to be from now on. Attempts under way go on as they were begun. */
export const WorkSetting = z
  .object({
    note: Note,
    play: PlayRules,
    work: WorkRules,
    opensAt: z.iso.datetime({ offset: true }).nullable(),
    dueAt: z.iso.datetime({ offset: true }).nullable(),
    closesAt: z.iso.datetime({ offset: true }).nullable(),
  })
  .refine(isInOrder, { path: ['dueAt'], message: 'times-crossed' })
export type WorkSetting = z.output<typeof WorkSetting>

/** Sets a list as a game for classes: each gets an offer of its own. The same request sets it once. */
export const SetWork = z
  .object({
    kind: z.enum(GAME_KINDS),
    options: z.unknown().optional(),
    seed: Seed,
    classIds: z.array(z.uuid()).min(1).max(MOST_AT_ONCE),
    name: OfferName.default(''),
    /** To the students. */
    note: Note.default(''),
    play: PlayRules.prefault({}),
    work: WorkRules.prefault({}),
    opensAt: Moment,
    dueAt: Moment,
    closesAt: Moment,
    /** Further games, of which each student picks one. */
    others: z
      .array(z.object({ kind: z.enum(GAME_KINDS), options: z.unknown().optional(), seed: Seed }))
      .max(MOST_KINDS - 1)
      .default([]),
    /** Of the list only what each class has missed in games of it so far. */
    missed: z.boolean().default(false),
    /** One for each class. */
    requestIds: z.array(z.uuid()).min(1).max(MOST_AT_ONCE),
  })
  .refine(({ classIds, requestIds }) => classIds.length === requestIds.length, { path: ['requestIds'] })
  .refine(isInOrder, { path: ['dueAt'], message: 'times-crossed' })
export type SetWork = z.input<typeof SetWork>

/** Where a student stands in a piece of work; see the core. */
export const StandingReply = z.object({
  state: z.enum(['not-begun', 'under-way', 'done']),
  attempts: z.number().int(),
  share: z.number().nullable(),
  passed: z.boolean().nullable(),
  late: z.boolean(),
})

/** A piece of work of a class. */
export const ClassWork = z.object({
  offerId: z.uuid(),
  listId: z.uuid().nullable(),
  code: z.string(),
  name: z.string(),
  title: z.string(),
  kind: z.enum(GAME_KINDS),
  open: z.boolean(),
  opensAt: z.iso.datetime().nullable(),
  dueAt: z.iso.datetime().nullable(),
  closesAt: z.iso.datetime().nullable(),
  work: WorkRules,
  /** Whether the teacher who looks has set it; a colleague's is seen, and not changed. */
  isMine: z.boolean(),
})
export type ClassWork = z.infer<typeof ClassWork>

/** Who of a class has done what: a standing for each student and piece of work; null where it is not set for the student. */
export const ClassOverview = z.object({
  work: z.array(ClassWork),
  students: z.array(
    z.object({
      id: z.uuid(),
      name: z.string(),
      lastSeenAt: z.iso.datetime().nullable(),
      standings: z.array(StandingReply.nullable()),
    }),
  ),
})
export type ClassOverview = z.infer<typeof ClassOverview>
