import { useState } from 'react'
import { useLocation } from 'react-router'
import { uploadPicture, uploadSound } from '../../../api/media.ts'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { insertRows, rowOf } from '../draft/draft.ts'
import type { ListDraft } from '../draft/useListDraft.ts'
import type { Column } from '../table/columns.ts'
import type { Pasted } from '../table/pastedTable.ts'
import { overwriteCells } from '../table/selection.ts'
import type { Imported } from './importing.ts'
import { takeArchive } from './takeArchive.ts'

/** Words that are coming in, and where they would go. */
interface Incoming {
  source: { pasted: Pasted } | { file: File } | undefined
  index: number
  column: Column
}

/** How words come into a list from elsewhere. */
export interface Taking {
  /** What is coming in; undefined while nothing is. */
  incoming: Incoming | undefined
  busy: boolean
  problem: Error | undefined
  begin: (incoming: Incoming) => void
  leave: () => void
  /** Puts into the list what was looked through. */
  keep: (imported: Imported) => Promise<void>
  /** Takes a file that was dropped on a cell: a picture or a sound goes there, a table is looked through. */
  drop: (files: File[], row: number, column: Column) => Promise<void>
}

/** Takes words into a list, from a paste or a file. */
export function useTaking({ draft, edit }: ListDraft, columns: readonly Column[]): Taking {
  const t = useTexts(listTexts)
  const location = useLocation()
  const { entries } = draft
  const [incoming, setIncoming] = useState<Incoming | undefined>(() =>
    (location.state as { open?: string } | null)?.open === 'import'
      ? { source: undefined, index: entries.length, column: 'answer' }
      : undefined,
  )
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Error>()
  const keep = async (imported: Imported): Promise<void> => {
    const { index = entries.length, column = 'answer' } = incoming ?? {}
    if (imported.how === 'insert')
      edit((before) => ({ ...before, entries: insertRows(before.entries, index, imported.entries) }))
    else if (imported.how === 'overwrite')
      edit((before) => ({ ...before, entries: overwriteCells(before.entries, index, column, columns, imported.cells) }))
    else {
      setBusy(true)
      try {
        const {
          details,
          entries: taken,
          refused,
        } = await takeArchive(imported.details, imported.entries, imported.media)
        // An empty list without a name becomes the one that was read; any other only gains its entries.
        edit((before) => ({
          ...before,
          ...(before.entries.length === 0 && before.title === '' ? details : {}),
          entries: insertRows(before.entries, Math.min(index, before.entries.length), taken),
        }))
        setProblem(refused > 0 ? new Error(t('archiveRefused', { count: refused })) : undefined)
      } catch (error) {
        setBusy(false)
        return setProblem(error as Error)
      }
      setBusy(false)
    }
    setIncoming(undefined)
  }
  const drop = async (files: File[], row: number, column: Column): Promise<void> => {
    setProblem(undefined)
    const [file] = files
    const side = column === 'answer' ? 'answer' : 'prompt'
    if (!/^(image|audio|video)\//u.test(file!.type)) return setIncoming({ source: { file: file! }, index: row, column })
    try {
      const medium = file!.type.startsWith('image/')
        ? { picture: await uploadPicture(file!, file!.name.replace(/\.\w+$/u, '')) }
        : { sound: await uploadSound(file!) }
      edit((before) => {
        if (row >= before.entries.length)
          return {
            ...before,
            entries: insertRows(before.entries, before.entries.length, [
              { ...rowOf('', ''), [side]: { text: '', ...medium } },
            ]),
          }
        return {
          ...before,
          entries: before.entries.map((entry, index) =>
            index === row ? { ...entry, [side]: { ...entry[side], ...medium } } : entry,
          ),
        }
      })
    } catch (error) {
      setProblem(error as Error)
    }
  }
  return { incoming, busy, problem, begin: setIncoming, leave: () => setIncoming(undefined), keep, drop }
}
