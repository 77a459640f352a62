/** The kinds of game there are, in the order in which teachers choose; known without the games themselves. */
export const GAME_KINDS = [
  'quiz',
  'flashcards',
  'matching',
  'pairs',
  'unscramble',
  'wordsearch',
  'crossword',
  'bingo',
  'hangman',
  'quizboard',
  'pebbles',
  'thread',
  'sorting',
  'worddraw',
] as const
export type GameKind = (typeof GAME_KINDS)[number]

/** Returns whether a text is a kind of game. */
export function isGameKind(text: string | undefined): text is GameKind {
  return (GAME_KINDS as readonly (string | undefined)[]).includes(text)
}
