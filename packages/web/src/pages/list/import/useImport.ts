import { MAX_ENTRIES, MAX_PASTE } from '@otter/core'
import { useMemo, useReducer } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { newId } from '../../../ui/newId.ts'
import { useFile } from '../../../workers/readFile.ts'
import type { Pasted } from '../table/pastedTable.ts'
import { beginImport, excess, importReducer, isTooLong, understand, type Imported } from './importing.ts'

/** What is taken in, as far as it is read and understood, and what stands in the way of keeping it. */
export function useImport(source: { pasted: Pasted } | { file: File } | undefined, entryCount: number) {
  const t = useTexts(listTexts)
  const [state, send] = useReducer(importReducer, source, beginImport)
  const { pasted, file, encoding, separator, between, sheet, header, fields, answerSeparator, areGroups, overwrite } =
    state
  const { read, stage, refusal } = useFile({ file, encoding, separator })
  const understood = useMemo(
    () =>
      understand({ pasted, file, separator, between, sheet, header, fields, answerSeparator, areGroups }, read, newId),
    [pasted, file, separator, between, sheet, header, fields, answerSeparator, areGroups, read],
  )
  const archive = file && read?.kind === 'archive' ? read : undefined
  const count = (archive?.list ?? understood)?.entries.length ?? 0
  const obstacle = (): string | undefined => {
    const letters = pasted?.text.length ?? 0
    if (isTooLong(state)) return t('import.tooLong', { count: Math.round(letters / 1e6), most: MAX_PASTE / 1e6 })
    if (refusal && file) return t(`import.refusal.${refusal}`)
    if (excess(count, entryCount, overwrite) > 0)
      return t('import.noRoom', { most: MAX_ENTRIES, room: MAX_ENTRIES - entryCount, count })
    return undefined
  }
  return {
    state,
    send,
    stage,
    /** Names of the file's sheets. */
    sheets: file && read?.kind === 'tables' ? read.sheets.map(({ name }) => name) : [],
    understood,
    archive,
    /** Entries that would come in. */
    count,
    obstacle: obstacle(),
    imported: (): Imported => {
      if (archive) {
        const { details, entries } = archive.list
        return { how: 'archive', details, entries, media: archive.media }
      }
      if (overwrite && understood) return { how: 'overwrite', cells: understood.table.rows.map(({ cells }) => cells) }
      return { how: 'insert', entries: understood?.entries ?? [] }
    },
  }
}
