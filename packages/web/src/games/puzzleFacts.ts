import type { GameKind } from '@otter/core'
import { useMemo } from 'react'
import { useTranslation } from 'react-i18next'
import { useWriting } from '../texts/texts.ts'
import { TEACHER } from './teacher.ts'

/** What is said of a puzzle that was made. */
export interface PuzzleFacts {
  /** In a few words what was made. */
  facts: string
  /** What of the list is not in it for want of room. */
  shortfall: string | undefined
}

/** Returns what is said of a puzzle of a kind, in the language of the screen; undefined while there is none. */
export function usePuzzleFacts(kind: GameKind, puzzle: unknown): PuzzleFacts | undefined {
  const { t } = useTranslation(kind)
  const { list } = useWriting()
  return useMemo(() => {
    if (puzzle === undefined) return undefined
    const { code, values } = TEACHER[kind].factsOf(puzzle)
    const missing = TEACHER[kind].missingIn?.(puzzle) ?? []
    return {
      facts: t(code, { ns: kind, ...values }),
      shortfall:
        missing.length === 0 ? undefined : t('shortfall', { ns: kind, count: missing.length, words: list(missing) }),
    }
  }, [t, list, kind, puzzle])
}
