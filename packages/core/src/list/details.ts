import { z } from 'zod'
import { LanguageCode } from './entry.ts'
import { Picture, textOf } from './face.ts'

const line = (longest: number) => textOf(longest).transform((text) => text.trim())

const SHAPE = {
  title: textOf(200),
  answerLanguage: LanguageCode,
  promptLanguage: LanguageCode,
  description: textOf(2000),
  cover: Picture.nullable(),
  subject: line(100),
  grade: line(50),
  tags: z
    .array(line(50))
    .max(20)
    .transform((tags) => [...new Set(tags.filter((tag) => tag !== ''))]),
  /** The folder it lies in; empty for none. */
  folder: line(100),
}

/** What is said about a list as a whole. */
export const ListDetails = z.object({
  title: SHAPE.title.default(''),
  answerLanguage: SHAPE.answerLanguage.default(''),
  promptLanguage: SHAPE.promptLanguage.default(''),
  description: SHAPE.description.default(''),
  cover: SHAPE.cover.default(null),
  subject: SHAPE.subject.default(''),
  grade: SHAPE.grade.default(''),
  tags: SHAPE.tags.default([]),
  folder: SHAPE.folder.default(''),
})
export type ListDetails = z.infer<typeof ListDetails>

/** Some of a list's details, those that change. */
export const ListChanges = z.object(SHAPE).partial()
export type ListChanges = z.infer<typeof ListChanges>

/** Names of a list's details. */
export const LIST_DETAILS = Object.keys(SHAPE) as (keyof ListDetails)[]
