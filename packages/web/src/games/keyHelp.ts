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

/** How an open question is judged. */
export const QUESTION_KEYS: readonly KeyHelp[] = [
  { keys: ['H'], does: 'hintShown' },
  { keys: ['S'], does: 'answerShown' },
  { keys: ['R', 'W'], does: 'judge' },
  { keys: ['P', 'N'], does: 'passOn' },
  { keys: ['1', '…', '0'], does: 'judgeTeam' },
  { keys: ['Enter', 'Esc'], does: 'toBoard' },
]

/** What all games of teams share on the wall. */
export const TEAM_KEYS: readonly KeyHelp[] = [
  { keys: ['Ctrl + Z', 'Ctrl + Y'], does: 'undoAct' },
  { keys: ['.'], does: 'timer' },
  { keys: ['Shift + 1', '…', 'Shift + 0'], does: 'team' },
  { keys: ['+', '−'], does: 'award' },
  { keys: [','], does: 'full' },
]

/** Arrows that go over a grid. */
export const GRID: KeyHelp = { keys: ['←', '↑', '→', '↓'], does: 'grid' }
