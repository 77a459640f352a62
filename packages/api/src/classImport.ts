import { cleanText } from '@otter/core'
import { z } from 'zod'
import { ClassReply, MOST_IN_CLASS } from './class.ts'
import { ParticipantName } from './offer.ts'

/** Most classes that are brought in at once. */
export const MOST_IMPORTED = 60

const SourceId = z
  .string()
  .min(1)
  .max(255)
  .transform((id) => cleanText(id))
const Line = z.string().transform((text) => cleanText(text).trim().slice(0, 60))

/** Classes of a school's system, as they come from its file. */
export const ImportedClasses = z.object({
  classes: z
    .array(
      z.object({
        sourceId: SourceId,
        name: ParticipantName,
        grade: Line.default(''),
        year: Line.default(''),
        students: z.array(z.object({ sourceId: SourceId, name: ParticipantName })).max(MOST_IN_CLASS),
      }),
    )
    .min(1)
    .max(MOST_IMPORTED)
    .refine((classes) => isUnique(classes) && classes.every(({ students }) => isUnique(students))),
})
export type ImportedClasses = z.input<typeof ImportedClasses>

/** Brings classes in, and takes out students who are named. */
export const ImportClasses = ImportedClasses.extend({
  leave: z
    .array(z.object({ classId: z.uuid(), studentId: z.uuid() }))
    .max(MOST_IMPORTED * MOST_IN_CLASS)
    .default([]),
})
export type ImportClasses = z.input<typeof ImportClasses>

function isUnique(rows: readonly { sourceId: string }[]): boolean {
  return new Set(rows.map(({ sourceId }) => sourceId)).size === rows.length
}

/** What bringing classes in would do. */
export const ComparedClasses = z.object({
  classes: z.array(
    z.object({
      sourceId: z.string(),
      /** The class it is here; null where it would be a new one. */
      classId: z.uuid().nullable(),
      /** What it is called here; null for a new one. */
      nameHere: z.string().nullable(),
      students: z.array(
        z.object({
          sourceId: z.string(),
          /** Comes in new, comes in from another class here, is renamed, or is as it was. */
          becomes: z.enum(['new', 'joins', 'renamed', 'same']),
          nameHere: z.string().nullable(),
        }),
      ),
      /** Students from the same system who are in the class here and not in the file. */
      missing: z.array(z.object({ studentId: z.uuid(), name: z.string() })),
    }),
  ),
})
export type ComparedClasses = z.infer<typeof ComparedClasses>

/** The classes as they are after they were brought in. */
export const ImportedReply = z.object({ classes: z.array(ClassReply) })
