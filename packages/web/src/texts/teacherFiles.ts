import type { ResourceKey } from 'i18next'
import type { TextFiles } from './texts.ts'

/** What teachers read, and what they see of their students' screens. */
export const TEACHER_FILES: TextFiles = {
  ...import.meta.glob<ResourceKey>('./*/*.json', { import: 'default' }),
  ...import.meta.glob<ResourceKey>('../../../api/src/texts/*/*.json', { import: 'default' }),
  ...import.meta.glob<ResourceKey>('../games/*/texts/*.json', { import: 'default' }),
}
