import type { helpTexts } from '../texts/namespaces.ts'
import type { MessageKey } from '../texts/texts.ts'

/** What a key does, as a message of the help. */
export type HelpKey = MessageKey<NonNullable<(typeof helpTexts)['messages']>>

/** A key, or several that belong together, and what it does. */
export interface KeyHelp {
  keys: readonly string[]
  does: HelpKey
}

/** Stand for what is written in the language of the screen. */
export const SPACE = 'space'
export const LETTERS = 'letters'

/** What every button does. */
export const PRESS: KeyHelp = { keys: ['Enter', SPACE], does: 'press' }

/** Arrows that go over a grid. */
export const GRID: KeyHelp = { keys: ['←', '↑', '→', '↓'], does: 'grid' }
