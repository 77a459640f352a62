import { isGameKind } from '@otter/core'
import { PRESS, QUESTION_KEYS, TEAM_KEYS, type HelpKey, type KeyHelp } from '../../games/keyHelp.ts'
import { TEACHER } from '../../games/teacher.ts'

/** The keys of a part of a screen. */
export interface HelpPart {
  title: HelpKey
  keys: readonly KeyHelp[]
}

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

const LIVE: HelpPart = {
  title: 'live',
  keys: [{ keys: ['Enter', 'PageDown'], does: 'goOn' }],
}

/** Keys of the games that stand on a wall: which one, the path does not tell. */
const TEAM_GAMES: HelpPart = {
  title: 'questions',
  keys: [{ keys: ['←', '↑', '→', '↓'], does: 'tiles' }, ...QUESTION_KEYS],
}

/** Returns the keys of the screen at a path. */
export function keysAt(path: string): HelpPart[] {
  if (path === '/') return [{ ...EVERYWHERE, keys: [LISTS, ...EVERYWHERE.keys] }]
  if (/^\/lists\/[^/]+\/?$/u.test(path)) return [WORDS, EVERYWHERE]
  if (/^\/live\/[^/]+\/?$/u.test(path)) return [LIVE, EVERYWHERE]
  if (/^\/wall\/[^/]+\/?$/u.test(path)) return [{ title: 'atWall', keys: TEAM_KEYS }, TEAM_GAMES, EVERYWHERE]
  const named = /^\/lists\/[^/]+\/games\/(\w+)\/?$/u.exec(path)?.[1]
  if (!isGameKind(named)) return [EVERYWHERE]
  const { keys = [PRESS], wallKeys } = TEACHER[named]
  return [{ title: 'game', keys }, ...(wallKeys ? [{ title: 'wall' as const, keys: wallKeys }] : []), EVERYWHERE]
}
