import { checkList, GAME_KINDS, gameOf, type CheckNote, type EntryList, type Fit, type GameKind } from '@otter/core'
import { optionsOf } from '../pages/list/games/choiceOf.ts'
import type { KeptOptions } from '../pages/list/games/gameChoice.ts'

/** What is to be mended in a list, and what it can be. */
export interface LookedOver {
  notes: CheckNote[]
  fits: Record<GameKind, Fit>
}

/** Looks a list over: all checks, and for every game whether it can be made with these options. */
export function lookOver(list: EntryList, options: KeptOptions): LookedOver {
  return {
    notes: checkList(list),
    fits: Object.fromEntries(
      GAME_KINDS.map((kind) => [kind, gameOf(kind).fit(list, optionsOf(kind, options[kind]))]),
    ) as LookedOver['fits'],
  }
}
