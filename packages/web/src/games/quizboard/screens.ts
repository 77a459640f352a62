import { QuizboardOptions, type QuizboardPuzzle } from '@otter/core/games/quizboard'
import type { TeacherScreens } from '../contract.ts'
import { QUESTION_KEYS } from '../keyHelp.ts'
import { AskedForTeacher, AskedOnWall, ChosenFrom } from './InStep.tsx'
import { Laying } from './Laying.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 40

/** A quiz board as teachers see it. */
export const screens: TeacherScreens<QuizboardOptions, QuizboardPuzzle> = {
  Options,
  Workbench: Laying,
  Thumbnail,
  inStep: { Wall: AskedOnWall, Teacher: AskedForTeacher, Board: ChosenFrom },
  keys: [{ keys: ['←', '↑', '→', '↓'], does: 'tiles' }, ...QUESTION_KEYS],
  fillsWall: true,
  factsOf: ({ columns, questions }) => ({
    code: 'facts',
    values: { columns: columns.length, count: questions.length },
  }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: QuizboardOptions.parse({ columns: 3, tiles: 3 }),
  }),
}
