import { cellsOf, type CrosswordPuzzle, type CrosswordWord } from '../../games/crossword/puzzle.ts'

/**
 * Writes a crossword with its solution as ipuz (version 2, http://ipuz.org/crossword), as JSON text. Pictures and
 * sounds are not carried.
 */
export function writeIpuz(title: string, { rows, cols, words }: CrosswordPuzzle): string {
  const puzzle: (number | null)[][] = Array.from({ length: rows }, () => Array.from({ length: cols }, () => null))
  const solution: (string | null)[][] = Array.from({ length: rows }, () => Array.from({ length: cols }, () => null))
  for (const word of words) {
    cellsOf(word).forEach(({ row, col }, index) => {
      solution[row]![col] = word.letters[index]!
      puzzle[row]![col] ??= 0
    })
  }
  for (const { row, col, number } of words) puzzle[row]![col] = number
  const clue = ({ number, prompt, pattern }: CrosswordWord): object => ({
    number,
    clue: prompt.text,
    enumeration: pattern,
  })
  return JSON.stringify({
    version: 'http://ipuz.org/v2',
    kind: ['http://ipuz.org/crossword#1'],
    title,
    empty: 0,
    dimensions: { width: cols, height: rows },
    puzzle,
    solution,
    clues: {
      Across: words.filter(({ dir }) => dir === 'across').map(clue),
      Down: words.filter(({ dir }) => dir === 'down').map(clue),
    },
  })
}
