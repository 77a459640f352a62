import { cleanText, GAME_KINDS } from '@otter/core'
import { GradeScale } from '@otter/core/results'
import { z } from 'zod'
import { LANGUAGE_CODES } from './languages.ts'
import { OutcomeCode } from './offer.ts'

/** Longest that a report spans, so that its size stays known. */
const MOST_DAYS = 800

const fields = z.object({
  work: z.uuid().optional(),
  list: z.uuid().optional(),
  class: z.uuid().optional(),
  from: z.iso.datetime({ offset: true }).optional(),
  to: z.iso.datetime({ offset: true }).optional(),
})
type Fields = z.infer<typeof fields>

const isOfOne = ({ work, list, class: one }: Fields): boolean =>
  [work, list, one].filter((id) => id !== undefined).length === 1
const isSpan = ({ from, to }: Fields): boolean =>
  from === undefined ||
  to === undefined ||
  (Date.parse(to) >= Date.parse(from) && Date.parse(to) - Date.parse(from) <= MOST_DAYS * 86_400_000)
const NOT_ONE = { path: ['work'], error: 'one of work, list and class' }
const NO_SPAN = { path: ['to'], error: 'no span' }

/**
 * What a report is of: one piece of work or session, a list with all games made from it, or a class; from one moment to
 * another where it says so.
 */
export const ReportScope = fields.refine(isOfOne, NOT_ONE).refine(isSpan, NO_SPAN)
export type ReportScope = z.infer<typeof ReportScope>

/** A scope in an address, with the offset of the teacher's time zone to UTC in minutes, by which weeks begin. */
export const ReportQuery = fields
  .extend({ offset: z.coerce.number().int().min(-840).max(840).default(0) })
  .refine(isOfOne, NOT_ONE)
  .refine(isSpan, NO_SPAN)

const share = z.number().min(0).max(1)
const Counts = z.object({
  right: z.number().int(),
  wrong: z.number().int(),
  passed: z.number().int(),
  notReached: z.number().int(),
})

/** What came between a student and the work; see the core's troubles. */
export const TroubleReply = z.object({
  /** The attempt in which most came between. */
  offerId: z.uuid(),
  playId: z.uuid(),
  /** Whether time can be given back: it has a limit. */
  isLimited: z.boolean(),
  /** How long the device was away in all, and how long answers waited at most; in milliseconds. */
  gone: z.number().int(),
  place: z.number().int().nullable(),
  reloads: z.number().int(),
  waited: z.number().int(),
  longestWait: z.number().int(),
  late: z.number().int(),
})

/** One student of a report. */
export const ReportStudent = z.object({
  /** A student of a class, or who takes part in one piece of work. */
  id: z.uuid(),
  /** Whether it is a student of a class, who has a page. */
  isStudent: z.boolean(),
  name: z.string(),
  /** Of the best attempts, in the mean over all work begun; null where none was, and of the first ones. */
  share: share.nullable(),
  firstShare: share.nullable(),
  right: z.number().int(),
  total: z.number().int(),
  points: z.number(),
  milliseconds: z.number(),
  attempts: z.number().int(),
  begun: z.number().int(),
  /** Null where nothing came between. */
  trouble: TroubleReply.nullable(),
})
export type ReportStudent = z.infer<typeof ReportStudent>

/** One entry of a report, over all games that it was in. */
export const ReportEntry = Counts.extend({
  entryId: z.uuid(),
  text: z.string(),
  /** Of those who missed it first, how many knew it at last. */
  mended: z.number().int(),
  /** Mean time of the first answers, in milliseconds, and hints in all; null in a report of much work. */
  milliseconds: z.number().nullable(),
  hints: z.number().int().nullable(),
  standards: z.array(z.string()),
  difficulty: z.enum(['easy', 'middling', 'hard']).nullable(),
  telling: z.enum(['tells-well', 'tells-little', 'tells-nothing', 'against']).nullable(),
  perhapsMiskeyed: z.boolean(),
})
export type ReportEntry = z.infer<typeof ReportEntry>

/** What a report tells. */
export const ReportReply = z.object({
  title: z.string(),
  of: z.enum(['work', 'list', 'class']),
  works: z.array(
    z.object({
      offerId: z.uuid(),
      listId: z.uuid().nullable(),
      title: z.string(),
      kind: z.enum(GAME_KINDS),
      at: z.iso.datetime(),
      /** Whether it counts for scores: not where students judge themselves, or teams play at a wall. */
      scores: z.boolean(),
    }),
  ),
  students: z.array(ReportStudent),
  entries: z.array(ReportEntry),
  /** A text for each student with a letter for each entry, see the core's cells; null where there are too many. */
  map: z.array(z.string()).nullable(),
  reliability: z.number().nullable(),
  /** Shares of the best attempts over ten steps. */
  distribution: z.array(z.object({ from: share, to: share, count: z.number().int() })),
  byAttempt: z.array(z.object({ at: z.number(), share, count: z.number().int() })),
  byWeek: z.array(z.object({ at: z.number(), share, count: z.number().int() })),
  standards: z.array(
    z.object({
      code: z.string(),
      label: z.string(),
      entries: z.number().int(),
      right: z.number().int(),
      answers: z.number().int(),
      from: share.nullable(),
      to: share.nullable(),
      word: z.enum(['known', 'not-known', 'in-between', 'too-few']),
    }),
  ),
  brief: z.object({
    /** What to teach again, the least known first. */
    teach: z.array(
      z.object({
        entryId: z.uuid(),
        text: z.string(),
        right: z.number().int(),
        answered: z.number().int(),
        leading: z.string().nullable(),
        leads: z.number().int(),
      }),
    ),
    notBegun: z.array(z.string()),
  }),
})
export type ReportReply = z.infer<typeof ReportReply>

/** One answer of a student, as a report tells it. */
export const GivenAnswer = z.object({
  entryId: z.uuid(),
  offerId: z.uuid(),
  given: z.string(),
  outcome: OutcomeCode,
  /** Which of the first asking it is, or asked again as a second try, or one that came back. */
  round: z.enum(['first', 'second', 'back']),
  hints: z.number().int(),
  milliseconds: z.number(),
  at: z.iso.datetime(),
})
export type GivenAnswer = z.infer<typeof GivenAnswer>

/** All that one student answered within a report. */
export const ReportedAnswers = z.object({ answers: z.array(GivenAnswer) })
export type ReportedAnswers = z.infer<typeof ReportedAnswers>

/** How one entry went in all games of a report: who gave what. */
export const EntryAnswers = z.object({
  games: z.array(
    z.object({
      offerId: z.uuid(),
      title: z.string(),
      kind: z.enum(GAME_KINDS),
      right: z.number().int(),
      wrong: z.number().int(),
      passed: z.number().int(),
    }),
  ),
  answers: z.array(
    z.object({
      personId: z.uuid(),
      name: z.string(),
      outcome: OutcomeCode,
      given: z.string(),
      hints: z.number().int(),
      milliseconds: z.number(),
      /** What it came to when it was met next; null where it was not. */
      next: OutcomeCode.nullable(),
    }),
  ),
})
export type EntryAnswers = z.infer<typeof EntryAnswers>

/** Typed answers that did not count, put together by what they were. */
export const RefusedReply = z.object({
  groups: z.array(
    z.object({
      entryId: z.uuid(),
      text: z.string(),
      given: z.string(),
      written: z.array(z.string()),
      names: z.array(z.string()),
    }),
  ),
})
export type RefusedReply = z.infer<typeof RefusedReply>

/** Accepts a typed answer from now on, and for those who gave it in all games of a report. */
export const AcceptRefused = z.object({
  scope: ReportScope,
  entryId: z.uuid(),
  written: z.array(z.string().min(1).max(2000)).min(1).max(30),
})
export type AcceptRefused = z.input<typeof AcceptRefused>

/** Makes a list of what was missed, by everyone or by some; under an id that the screen has drawn, once. */
export const ReteachList = z.object({
  id: z.uuid(),
  scope: ReportScope,
  title: z
    .string()
    .max(400)
    .transform((title) => cleanText(title).trim().slice(0, 200))
    .pipe(z.string().min(1)),
  /** Entries are taken that fewer than this share knew. */
  below: z.number().min(0).max(1).default(0.7),
  /** By these students alone; all where there are none. */
  persons: z.array(z.uuid()).max(1000).default([]),
})
export type ReteachList = z.input<typeof ReteachList>

/** What is written as a file. */
export const REPORT_FILES = ['students', 'entries', 'responses', 'gradebook', 'workbook', 'oneroster'] as const

/** Which file of a report is wanted, in which language and on which scale. */
export const ReportFileQuery = fields
  .extend({
    what: z.enum(REPORT_FILES),
    language: z.enum(LANGUAGE_CODES).default('en'),
    /** As JSON. */
    scale: z
      .string()
      .max(2000)
      .transform((text, context) => {
        try {
          return JSON.parse(text) as unknown
        } catch {
          context.addIssue({ code: 'custom', message: 'no scale' })
          return z.NEVER
        }
      })
      .pipe(GradeScale)
      .default({ type: 'percent' }),
  })
  .refine(isOfOne, NOT_ONE)
  .refine(isSpan, NO_SPAN)
