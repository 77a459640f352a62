import type { GameKind } from '@otter/core'
import type { helpTexts } from '../../texts/namespaces.ts'
import type { MessageKey } from '../../texts/texts.ts'

type HelpKey = MessageKey<NonNullable<(typeof helpTexts)['messages']>>

/** A key, or several that belong together, and what it does. */
interface KeyHelp {
  keys: readonly string[]
  does: HelpKey
}

/** The keys of a part of a screen. */
export interface HelpPart {
  title: HelpKey
  keys: readonly KeyHelp[]
}

/** Stand for what is written in the language of the screen. */
export const SPACE = 'space'
export const LETTERS = 'letters'

const EVERYWHERE: HelpPart = {
  title: 'everywhere',
  keys: [
    { keys: ['?'], does: 'help' },
    { keys: ['Esc'], does: 'close' },
  ],
}

const LISTS: KeyHelp = { keys: ['/'], does: 'search' }

const WORDS: HelpPart = {
  title: 'words',
  keys: [
    { keys: ['Enter'], does: 'nextRow' },
    { keys: ['Tab', 'Shift + Tab'], does: 'nextCell' },
    { keys: ['Ctrl + V'], does: 'pasteRows' },
    { keys: ['Ctrl + .'], does: 'entry' },
    { keys: ['Alt + Enter'], does: 'fix' },
    { keys: ['Shift + ↓', 'Shift + ↑'], does: 'select' },
    { keys: ['Ctrl + D'], does: 'fill' },
    { keys: ['Alt + ↑', 'Alt + ↓'], does: 'move' },
    { keys: ['Ctrl + ⌫'], does: 'remove' },
    { keys: ['Ctrl + Z', 'Ctrl + Y'], does: 'undo' },
  ],
}

const PRESS: KeyHelp = { keys: ['Enter', SPACE], does: 'press' }

const GAMES: Record<GameKind, readonly KeyHelp[]> = {
  quiz: [{ keys: ['A', 'B', 'C', 'D'], does: 'choose' }, PRESS],
  flashcards: [
    { keys: ['↑', '↓'], does: 'turn' },
    { keys: ['→', '←'], does: 'knew' },
  ],
  matching: [PRESS],
  pairs: [PRESS],
  unscramble: [
    { keys: [LETTERS], does: 'lay' },
    { keys: ['⌫'], does: 'take' },
  ],
  wordsearch: [
    { keys: ['←', '↑', '→', '↓'], does: 'grid' },
    { keys: ['Enter', SPACE], does: 'mark' },
  ],
  crossword: [
    { keys: ['←', '↑', '→', '↓'], does: 'grid' },
    { keys: ['Enter', SPACE], does: 'direction' },
    { keys: ['Tab', 'Shift + Tab'], does: 'nextClue' },
  ],
  bingo: [PRESS],
  hangman: [{ keys: [LETTERS], does: 'guess' }],
}

const WALLS: Partial<Record<GameKind, readonly KeyHelp[]>> = {
  quiz: [
    { keys: [SPACE], does: 'reveal' },
    { keys: ['←', '→'], does: 'prevNext' },
    { keys: ['H'], does: 'hint' },
  ],
  flashcards: [
    { keys: [SPACE], does: 'turnWall' },
    { keys: ['←', '→'], does: 'prevNext' },
    { keys: ['H'], does: 'hint' },
    { keys: ['R'], does: 'repeat' },
    { keys: ['S'], does: 'shuffle' },
  ],
}

/** Returns the keys of the screen at a path. */
export function keysAt(path: string): HelpPart[] {
  if (path === '/') return [{ ...EVERYWHERE, keys: [LISTS, ...EVERYWHERE.keys] }]
  if (/^\/lists\/[^/]+\/?$/u.test(path)) return [WORDS, EVERYWHERE]
  const kind = /^\/lists\/[^/]+\/games\/(\w+)\/?$/u.exec(path)?.[1] as GameKind | undefined
  if (kind === undefined || !(kind in GAMES)) return [EVERYWHERE]
  const wall = WALLS[kind]
  return [{ title: 'game', keys: GAMES[kind] }, ...(wall ? [{ title: 'wall' as const, keys: wall }] : []), EVERYWHERE]
}
