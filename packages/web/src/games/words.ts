import { GAME_KINDS, type Doing, type FitNote, type GameKind } from '@otter/core'
import { useMemo } from 'react'
import { useTranslation } from 'react-i18next'

/** What teachers read of the games, in the language of the screen. */
export interface GameWords {
  name(kind: GameKind): string
  /** Returns the sentence for a note about a list and a game. */
  note(kind: GameKind, note: Pick<FitNote, 'code' | 'values'>): string
  /** Returns what a play is doing now. */
  doing(kind: GameKind, doing: Doing): string
}

/** Returns the words of all games; fetches them first, while the screen waits. */
export function useGameWords(): GameWords {
  const { t } = useTranslation(GAME_KINDS)
  return useMemo(() => {
    const say = (kind: GameKind, key: string, values: object = {}): string => t(key, { ns: kind, ...values })
    return {
      name: (kind) => say(kind, 'name'),
      note: (kind, { code, values }) => say(kind, `note.${code}`, values),
      doing: (kind, { code, values }) => say(kind, `doing.${code}`, values),
    }
  }, [t])
}
