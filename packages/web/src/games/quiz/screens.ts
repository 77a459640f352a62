import { QuizOptions, type QuizPuzzle } from '@otter/core/games/quiz'
import type { Values } from '../../texts/texts.ts'
import type { TeacherScreens } from '../contract.ts'
import { PRESS, SPACE } from '../keyHelp.ts'
import { InStepTeacher } from './InStepTeacher.tsx'
import { InStepWall } from './InStepWall.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'
import { Wall } from './Wall.tsx'

const THUMBNAIL_ENTRIES = 5

/** A quiz as teachers see it. */
export const screens: TeacherScreens<QuizOptions, QuizPuzzle> = {
  Options,
  Thumbnail,
  Wall,
  inStep: { Wall: InStepWall, Teacher: InStepTeacher },
  keys: [{ keys: ['A', 'B', 'C', 'D'], does: 'choose' }, PRESS],
  wallKeys: [
    { keys: [SPACE], does: 'reveal' },
    { keys: ['←', '→'], does: 'prevNext' },
    { keys: ['H'], does: 'hint' },
  ],
  factsOf: ({ questions }): { code: string; values: Values } => {
    const opinions = questions.filter(({ scored }) => !scored).length
    return opinions > 0
      ? { code: 'factsOpinions', values: { count: questions.length, opinions } }
      : { code: 'facts', values: { count: questions.length } }
  },
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: QuizOptions.parse({ order: 'list', choices: 3 }),
  }),
}
