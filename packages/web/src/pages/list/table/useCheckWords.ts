import type { CheckNote, Mend } from '@otter/core'
import { useMemo } from 'react'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** What a teacher reads of the checks. */
export interface CheckWords {
  /** Returns what is wrong with a row. */
  note(note: CheckNote): string
  /** Returns a mend as the name of a button. */
  mend(mend: Mend): string
}

/** Returns the words of the checks in the language of the screen. */
export function useCheckWords(): CheckWords {
  const t = useTexts(listTexts)
  return useMemo(
    () => ({
      note: ({ code, values }) => t(`check.${code}`, values),
      mend: ({ code, values }) =>
        code === 'mark-choice' && values.choice === ''
          ? t('mend.mark-numbered', { number: Number(values.index) + 1 })
          : t(`mend.${code}`, values),
    }),
    [t],
  )
}
