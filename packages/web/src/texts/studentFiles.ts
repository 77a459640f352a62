import type { ResourceKey } from 'i18next'
import type { TextFiles } from './texts.ts'

/** What students read: their page is small. */
export const STUDENT_FILES: TextFiles = {
  ...import.meta.glob<ResourceKey>('./*/{play,livePlay,teams,student}.json', { import: 'default' }),
  ...import.meta.glob<ResourceKey>('../games/*/texts/*.json', { import: 'default' }),
}
