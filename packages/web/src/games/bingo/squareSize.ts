/** What of a card's width its squares have: gaps and borders take the rest. */
const CARD = 96
/** How wide a letter is, and how high a line, to the size of the type. */
const LETTER = 0.62
const LINE = 1.25
/** The share of a square that its text may take. */
const FILLED = 0.8
/** The largest that is set: 18 pixels on the smallest phone. */
const MOST = 5.4

/**
 * Returns the size of the type of a square's text, in hundredths of the card's width: its longest word and all its lines
 * fit into the square of a card with so many squares in a row.
 */
export function squareSize(text: string, squares: number): number {
  const square = CARD / squares
  const longest = Math.max(1, ...text.split(/\s+/u).map((word) => word.length))
  const byWord = (square * 0.86) / (longest * LETTER)
  const byArea = Math.sqrt((square * square * FILLED) / (Math.max(1, text.length) * LETTER * LINE))
  return Math.min(MOST, byWord, byArea)
}
