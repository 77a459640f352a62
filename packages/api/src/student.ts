import { cleanText, GAME_KINDS, PICTURES_OF_SECRET, SECRET_PICTURES } from '@otter/core'
import { z } from 'zod'
import { Email, NewPassword, SignIn } from './session.ts'
import { OutcomeCode, ParticipantName } from './offer.ts'
import { StandingReply, ClassWork } from './work.ts'

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
