import { ThreadOptions, type ThreadPuzzle } from '@otter/core/games/thread'
import type { TeacherScreens } from '../contract.ts'
import { Ambiguity } from './Ambiguity.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 60

/** Common thread as teachers see it. */
export const screens: TeacherScreens<ThreadOptions, ThreadPuzzle> = {
  Options,
  Workbench: Ambiguity,
  Thumbnail,
  factsOf: ({ links, each }) => ({ code: 'facts', values: { links: links.length, each } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: ThreadOptions.parse({ links: 3 }),
  }),
}
