import { blockList } from '../src/text/blockList.ts'
import { foldAccents } from '../src/text/graphemes.ts'
import { gridLetters } from '../src/text/gridLetters.ts'
import type { EntryList } from '../src/index.ts'
import type { WordSearchOptions, WordSearchPuzzle } from '../src/games/wordsearch/index.ts'

/**
 * Looks at a finished grid by brute force, sharing no code with what made it: reads every run of every length in every
 * direction, and gives what is wrong in words.
 */
export function faultsOf(list: EntryList, options: WordSearchOptions, puzzle: WordSearchPuzzle): string[] {
  const faults: string[] = []
  const { rows, words, unplaced } = puzzle
  const height = rows.length
  const width = rows[0]!.length
  if (rows.some((row) => row.length !== width || row.some((cell) => !cell))) faults.push('the grid has holes')
  const spell = (text: string): string[] => gridLetters(text, { ...options, language: list.answerLanguage })

  const told = [...words, ...unplaced]
    .map(({ entryId }) => entryId)
    .sort()
    .join()
  if (
    told !==
    list.entries
      .map(({ id }) => id)
      .sort()
      .join()
  )
    faults.push('an entry is neither placed nor reported, or both')

  const steps = [
    [0, 1],
    [1, 0],
    [1, 1],
    [-1, 1],
    [0, -1],
    [-1, 0],
    [-1, -1],
    [1, -1],
  ]
  const runs = new Map<string, Set<string>>()
  const lengths = new Set([
    ...words.map(({ text }) => spell(text).length),
    ...blockList(list.answerLanguage).map((word) => word.length),
  ])
  const longest = Math.max(...lengths)
  for (let row = 0; row < height; row++) {
    for (let col = 0; col < width; col++) {
      steps.forEach(([dRow, dCol], direction) => {
        let text = ''
        const cells: number[] = []
        for (let r = row, c = col; r >= 0 && r < height && c >= 0 && c < width; r += dRow!, c += dCol!) {
          text += rows[r]![c]
          cells.push(r * width + c)
          if (cells.length > longest) break
          if (!lengths.has(cells.length)) continue
          const key = `${direction < options.directions ? 'allowed' : 'other'} ${text}`
          const found = runs.get(key) ?? new Set()
          found.add([...cells].sort((one, other) => one - other).join())
          runs.set(key, found)
        }
      })
    }
  }

  const placedCells: Set<number>[] = []
  for (const word of words) {
    const letters = spell(word.text)
    const cells = letters.map((_, index) => (word.row + index * word.dRow) * width + word.col + index * word.dCol)
    placedCells.push(new Set(cells))
    const read = letters.map((_, index) => rows[word.row + index * word.dRow]?.[word.col + index * word.dCol]).join('')
    if (read !== letters.join('')) faults.push(`${word.text} is not where it should be`)
    const direction = steps.findIndex(([dRow, dCol]) => dRow === word.dRow && dCol === word.dCol)
    if (direction >= options.directions) faults.push(`${word.text} runs a way that is not allowed`)
    const count = runs.get(`allowed ${letters.join('')}`)?.size ?? 0
    if (count !== 1) faults.push(`${word.text} is spelled ${count} times`)
  }
  const isInPlaced = (cellsOf: string): boolean => {
    const cells = cellsOf.split(',').map(Number)
    return placedCells.some((placed) => cells.every((cell) => placed.has(cell)))
  }
  // Also where no word may run: who reads 12 there has found it, and is told that it is none.
  for (const { text } of words)
    for (const cellsOf of runs.get(`other ${spell(text).join('')}`) ?? [])
      if (!isInPlaced(cellsOf)) faults.push(`${text} is spelled by chance`)

  const message = foldAccents(spell(puzzle.message).join('').toLowerCase())
  for (const blocked of blockList(list.answerLanguage)) {
    const spelled = blocked.join('')
    if (message.includes(spelled)) continue
    const form = options.letterCase === 'upper' ? spelled.toUpperCase() : spelled
    for (const cellsOf of ['allowed', 'other'].flatMap((kind) => [...(runs.get(`${kind} ${form}`) ?? [])])) {
      if (!isInPlaced(cellsOf)) faults.push('a blocked word is spelled')
    }
  }
  return faults
}

/** Returns the letters of the cells that no placed word uses, in reading order. */
export function spareLetters(puzzle: WordSearchPuzzle): string {
  const used = new Set(
    puzzle.words.flatMap((word) =>
      Array.from(
        { length: word.length },
        (_, index) => `${word.row + index * word.dRow},${word.col + index * word.dCol}`,
      ),
    ),
  )
  return puzzle.rows.flatMap((row, r) => row.filter((_, c) => !used.has(`${r},${c}`))).join('')
}
