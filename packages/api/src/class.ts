import {
  cleanText,
  GAME_KINDS,
  MOST_KINDS,
  PICTURES_OF_SECRET,
  PlayRules,
  SECRET_PICTURES,
  WorkRules,
} from '@otter/core'
import { z } from 'zod'
import { Email, NewPassword, SignIn } from './session.ts'
import { OfferName, OutcomeCode, ParticipantName, Seed } from './offer.ts'

/** Most students of one class, most classes of one teacher, and most classes that work is set for at once. */
export const MOST_IN_CLASS = 300
export const MOST_CLASSES = 200
const MOST_AT_ONCE = 20
/** Longest note to students, in characters. */
const LONGEST_NOTE = 1000

const Line = z
  .string()
  .max(200)
  .transform((text) => cleanText(text).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().max(60))

const ClassFields = {
  name: ParticipantName,
  grade: Line,
  /** BCP 47 code of the language of its students' screens; empty for each device's own. */
  language: z.string().max(35),
  year: Line,
  /** What its students sign in with: pictures for the young, a word for the older. */
  secret: z.enum(['pictures', 'word']),
  /** Whether students may ask to come in, by the class's code. */
  inviting: z.boolean(),
}

/** What a teacher says of a class. */
export const SaveClass = z.object({
  /** Drawn by the screen: a request that is sent again, since its reply was lost, makes one class. */
  id: z.uuid().optional(),
  name: ClassFields.name,
  grade: ClassFields.grade.default(''),
  language: ClassFields.language.default(''),
  year: ClassFields.year.default(''),
  secret: ClassFields.secret.default('pictures'),
  inviting: ClassFields.inviting.default(false),
})
export type SaveClass = z.input<typeof SaveClass>

/** Changes what is named of a class, archives it or restores it. */
export const ChangeClass = z.object({ ...ClassFields, archived: z.boolean() }).partial()
export type ChangeClass = z.input<typeof ChangeClass>

/** A class as its teachers see it. */
export const ClassReply = z.object({
  id: z.uuid(),
  name: z.string(),
  grade: z.string(),
  language: z.string(),
  year: z.string(),
  secret: z.enum(['pictures', 'word']),
  inviting: z.boolean(),
  /** By which its students sign in. */
  code: z.string(),
  archived: z.boolean(),
  isOwner: z.boolean(),
  students: z.number().int(),
  /** How many wait to be let in. */
  asking: z.number().int(),
})
export type ClassReply = z.infer<typeof ClassReply>

/** A student of a class. */
export const ClassStudent = z.object({
  id: z.uuid(),
  name: z.string(),
  /** Whether the student is in, or waits to be let in. */
  state: z.enum(['in', 'asked']),
  hasSecret: z.boolean(),
  /** Wrong secrets since the last right one. */
  wrongSecrets: z.number().int(),
  /** Others who were put together with this one: they are one student. */
  merged: z.array(z.object({ id: z.uuid(), name: z.string() })),
  lastSeenAt: z.iso.datetime().nullable(),
})
export type ClassStudent = z.infer<typeof ClassStudent>

/** A class with its students and teachers. */
export const ClassDetails = ClassReply.extend({
  roll: z.array(ClassStudent),
  teachers: z.array(z.object({ id: z.uuid(), name: z.string(), isOwner: z.boolean() })),
})
export type ClassDetails = z.infer<typeof ClassDetails>

/** Brings students into a class; the same request brings them in once. */
export const AddStudents = z.object({
  students: z
    .array(z.object({ id: z.uuid(), name: ParticipantName }))
    .min(1)
    .max(MOST_IN_CLASS),
})
export type AddStudents = z.input<typeof AddStudents>

/** Renames a student, lets one in, or forgets a secret, so that a new one is chosen at the next sign-in. */
export const ChangeStudent = z
  .object({ name: ParticipantName, letIn: z.literal(true), forgetSecret: z.literal(true) })
  .partial()
export type ChangeStudent = z.input<typeof ChangeStudent>

/** Says that a student is the same as another of the class; null: is not. */
export const MergeStudent = z.object({ into: z.uuid().nullable() })
export type MergeStudent = z.input<typeof MergeStudent>

/** A code by which a colleague says that a student of hers is this one. */
export const StudentLink = z.object({ code: z.string(), expiresAt: z.iso.datetime() })
export type StudentLink = z.infer<typeof StudentLink>

/** Says that a student is the one of a colleague's code. */
export const JoinByLink = z.object({
  code: z
    .string()
    .max(40)
    .transform((code) => code.replace(/[^a-z0-9]/giu, '').toUpperCase()),
})
export type JoinByLink = z.input<typeof JoinByLink>

/** Says that a guest of an offer is a student of the class it is set for. */
export const GuestIsStudent = z.object({ studentId: z.uuid() })
export type GuestIsStudent = z.input<typeof GuestIsStudent>

/** Shares a class with a colleague, by e-mail address. */
export const ShareClass = z.object({ email: z.string().trim().toLowerCase().max(320) })
export type ShareClass = z.input<typeof ShareClass>

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

/** What a student did at one piece of work: the attempts, the newest first, with their answers. */
export const StudentWork = z.object({
  name: z.string(),
  title: z.string(),
  attempts: z.array(
    z.object({
      startedAt: z.iso.datetime(),
      endedAt: z.iso.datetime().nullable(),
      right: z.number().int(),
      total: z.number().int(),
      milliseconds: z.number(),
      answers: z.array(
        z.object({
          text: z.string(),
          given: z.string(),
          outcome: OutcomeCode,
          round: z.enum(['first', 'second', 'back']),
          hints: z.number().int(),
        }),
      ),
    }),
  ),
})
export type StudentWork = z.infer<typeof StudentWork>

/** All that is kept of one student, for whoever has a right to know. */
export const StudentData = z.object({
  student: z.object({
    name: z.string(),
    createdAt: z.iso.datetime(),
    lastSeenAt: z.iso.datetime().nullable(),
    /** What the student signs in with; the secret itself is not known to anybody. */
    secret: z.enum(['pictures', 'word']).nullable(),
    email: z.string().nullable(),
  }),
  classes: z.array(z.string()),
  work: z.array(
    z.object({
      title: z.string(),
      name: z.string(),
      kind: z.enum(GAME_KINDS),
      code: z.string(),
      startedAt: z.iso.datetime(),
      endedAt: z.iso.datetime().nullable(),
      right: z.number().int(),
      total: z.number().int(),
      points: z.number(),
      milliseconds: z.number(),
      /** Whether it was given back, and counts no more. */
      givenBack: z.boolean(),
      answers: z.array(
        z.object({
          question: z.string(),
          given: z.string(),
          outcome: OutcomeCode,
          round: z.enum(['first', 'second', 'back']),
          points: z.number(),
          milliseconds: z.number(),
          at: z.iso.datetime(),
        }),
      ),
    }),
  ),
})
export type StudentData = z.infer<typeof StudentData>

/** A class as its door shows it to who has its code. */
export const ClassDoor = z.object({
  name: z.string(),
  language: z.string(),
  secret: z.enum(['pictures', 'word']),
  inviting: z.boolean(),
  students: z.array(z.object({ id: z.uuid(), name: z.string(), hasSecret: z.boolean() })),
})
export type ClassDoor = z.infer<typeof ClassDoor>

const Pictures = z.array(z.enum(SECRET_PICTURES)).length(PICTURES_OF_SECRET)
const Word = z
  .string()
  .max(100)
  .transform((word) => cleanText(word).trim().toLowerCase())
  .pipe(z.string().min(4).max(40))

/** A student's secret: pictures in order, or a word. */
export const Secret = z.union([z.object({ pictures: Pictures }), z.object({ word: Word })])
export type Secret = z.input<typeof Secret>

/** Signs a student in; who has no secret yet chooses one so. */
export const SignStudentIn = z.object({
  studentId: z.uuid(),
  secret: Secret,
  /** Whether the device is the student's own, and keeps the sign-in. */
  own: z.boolean().default(false),
})
export type SignStudentIn = z.input<typeof SignStudentIn>

/** Gives the student who is signed in an address and a password to come in by. */
export const StudentAccount = z.object({ email: Email, password: NewPassword })
export type StudentAccount = z.input<typeof StudentAccount>

/** Signs a student in by address and password. */
export const SignStudentInByMail = SignIn.extend({ own: z.boolean().default(false) })
export type SignStudentInByMail = z.input<typeof SignStudentInByMail>

/** Asks to come into a class, under a name and with a secret. */
export const AskIn = z.object({ name: ParticipantName, secret: Secret, own: z.boolean().default(false) })
export type AskIn = z.input<typeof AskIn>

/** Makes a game of what a student has missed of a list. */
export const Practise = z.object({ listId: z.uuid() })
export type Practise = z.input<typeof Practise>

/** The code of a game that was made to practise with. */
export const PractiseReply = z.object({ code: z.string() })
export type PractiseReply = z.infer<typeof PractiseReply>

/** What a student has to do, and has done. */
export const StudentHome = z.object({
  name: z.string(),
  /** By which the student can come in too; null for none. */
  email: z.string().nullable(),
  classes: z.array(z.object({ id: z.uuid(), name: z.string(), state: z.enum(['in', 'asked']) })),
  work: z.array(
    ClassWork.pick({
      code: true,
      title: true,
      name: true,
      kind: true,
      opensAt: true,
      dueAt: true,
      closesAt: true,
    }).extend({
      note: z.string(),
      className: z.string(),
      standing: StandingReply,
      /** What coming in would do now; see the core. */
      admission: z.enum(['go-on', 'begin', 'not-yet', 'closed', 'no-attempts', 'not-for-you']),
    }),
  ),
  /** What the student did not know at last, by list. */
  again: z.array(z.object({ listId: z.uuid(), title: z.string(), words: z.array(z.string()) })),
})
export type StudentHome = z.infer<typeof StudentHome>
