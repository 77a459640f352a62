import type { CrosswordPuzzle } from '../src/games/crossword/index.ts'

/** Says what is wrong with a crossword, reading it as a person would: run by run. Shares no code with what lays it. */
export function faultsOf({ rows, cols, words }: CrosswordPuzzle): string[] {
  const faults: string[] = []
  const grid: string[][] = Array.from({ length: rows }, () => Array.from({ length: cols }, () => ''))
  for (const { letters, row, col, dir, text } of words) {
    letters.forEach((letter, index) => {
      const [r, c] = dir === 'across' ? [row, col + index] : [row + index, col]
      if (r >= rows || c >= cols) return faults.push(`${text} leaves the grid`)
      if (grid[r]![c] !== '' && grid[r]![c] !== letter) faults.push(`${text} clashes`)
      grid[r]![c] = letter
    })
  }
  const listed = new Map(words.map(({ letters, row, col, dir }) => [`${dir} ${row} ${col}`, letters.join('')]))
  const runs = new Map<string, string>()
  const read = (dir: 'across' | 'down', lines: { row: number; col: number }[][]): void => {
    for (const line of lines) {
      for (let at = 0; at < line.length; at++) {
        let text = ''
        const { row, col } = line[at]!
        while (at < line.length && grid[line[at]!.row]![line[at]!.col] !== '')
          text += grid[line[at]!.row]![line[at++]!.col]
        if (text.length > 1 && at - line.findIndex((cell) => cell.row === row && cell.col === col) > 1)
          runs.set(`${dir} ${row} ${col}`, text)
      }
    }
  }
  read(
    'across',
    grid.map((line, row) => line.map((_, col) => ({ row, col }))),
  )
  read(
    'down',
    Array.from({ length: cols }, (_, col) => grid.map((_, row) => ({ row, col }))),
  )
  for (const [place, text] of runs) if (listed.get(place) !== text) faults.push(`${place} reads ${text}`)
  for (const [place, text] of listed) if (runs.get(place) !== text) faults.push(`${place} should read ${text}`)
  if (new Set(words.map(({ entryId }) => entryId)).size !== words.length) faults.push('a word is there twice')

  const filled = grid.flatMap((line, row) => line.flatMap((letter, col) => (letter === '' ? [] : [`${row} ${col}`])))
  const open = [filled[0]]
  const reached = new Set(open)
  for (const cell of open) {
    const [row, col] = cell!.split(' ').map(Number)
    for (const next of [`${row! + 1} ${col}`, `${row! - 1} ${col}`, `${row} ${col! + 1}`, `${row} ${col! - 1}`]) {
      if (filled.includes(next) && !reached.has(next)) {
        reached.add(next)
        open.push(next)
      }
    }
  }
  if (reached.size !== filled.length) faults.push('not one figure')
  if (grid[0]!.every((letter) => letter === '') || grid.every((line) => line[0] === '')) faults.push('an empty rim')

  let number = 0
  for (let row = 0; row < rows; row++) {
    for (let col = 0; col < cols; col++) {
      const here = words.filter((word) => word.row === row && word.col === col)
      if (here.length > 0 && here.some((word) => word.number !== number + 1)) faults.push(`number at ${row} ${col}`)
      if (here.length > 0) number++
    }
  }
  return faults
}

/** Returns the smallest area of a box, no longer than 1.5 : 1, in which all words go together, by trying everything. */
export function smallestArea(words: readonly string[]): number {
  const order = [...words].sort((one, two) => two.length - one.length)
  const total = order.join('').length
  const sides: [number, number][] = []
  for (let rows = 1; rows <= 14; rows++)
    for (let cols = 1; cols <= 14; cols++)
      if (Math.max(rows, cols) <= 1.5 * Math.min(rows, cols)) sides.push([rows, cols])
  sides.sort((one, two) => one[0] * one[1] - two[0] * two[1])
  for (const [rows, cols] of sides)
    if (rows <= cols && rows * cols * 2 >= total && fills(order, rows, cols)) return rows * cols
  throw new Error('too large')
}

interface Laid {
  word: string
  row: number
  col: number
  down: boolean
}

function* placesFor(word: string, rows: number, cols: number): Generator<Laid> {
  for (const down of [false, true])
    for (let row = 0; row + (down ? word.length : 1) <= rows; row++)
      for (let col = 0; col + (down ? 1 : word.length) <= cols; col++) yield { word, row, col, down }
}

/**
 * Tells whether words can be laid in a box, any word anywhere, and checks the rules only at the end and where they
 * can't be mended.
 */
function fills(words: readonly string[], rows: number, cols: number): boolean {
  const grid = Array.from({ length: rows * cols }, () => '')
  const at = (row: number, col: number): string =>
    row < 0 || col < 0 || row >= rows || col >= cols ? '' : grid[row * cols + col]!
  const placed: Laid[] = []
  const lay = (left: readonly string[]): boolean => {
    if (left.length === 0) return isSound()
    // The first word is the longest: any other would only begin the same search elsewhere.
    for (const [index, word] of (placed.length === 0 ? left.slice(0, 1) : left).entries()) {
      const rest = left.filter((_, other) => other !== index)
      for (const laid of placesFor(word, rows, cols)) {
        if (!fitsAt(laid)) continue
        const before = [...grid]
        for (const [cell, letter] of cellsOf(laid)) grid[cell] = letter
        placed.push(laid)
        if (canBeMended(rest) && lay(rest)) return true
        placed.pop()
        before.forEach((letter, cell) => (grid[cell] = letter))
      }
    }
    return false
  }
  const cellsOf = ({ word, row, col, down }: Laid): [number, string][] =>
    [...word].map((letter, index) => [(row + (down ? index : 0)) * cols + col + (down ? 0 : index), letter])
  const isOpenAtEnds = ({ word, row, col, down }: Laid): boolean =>
    down
      ? at(row - 1, col) === '' && at(row + word.length, col) === ''
      : at(row, col - 1) === '' && at(row, col + word.length) === ''
  const fitsAt = (laid: Laid): boolean => {
    const there = cellsOf(laid).map(([cell, letter]) => [grid[cell]!, letter] as const)
    const shared = there.filter(([found]) => found !== '').length
    return (
      isOpenAtEnds(laid) &&
      there.every(([found, letter]) => found === '' || found === letter) &&
      shared < laid.word.length &&
      (placed.length === 0 || shared > 0) &&
      !placed.some((other) => other.down === laid.down && overlap(other, laid))
    )
  }
  const runs = (): string[] => {
    const found: string[] = []
    for (let row = 0; row < rows; row++)
      found.push(
        ...Array.from({ length: cols }, (_, col) => at(row, col) || ' ')
          .join('')
          .split(/ +/),
      )
    for (let col = 0; col < cols; col++)
      found.push(
        ...Array.from({ length: rows }, (_, row) => at(row, col) || ' ')
          .join('')
          .split(/ +/),
      )
    return found.filter((run) => run.length > 1)
  }
  const isSound = (): boolean => [...runs()].sort().join() === [...words].sort().join()
  // A run that is no word yet must be part of one that is still to come.
  const canBeMended = (rest: readonly string[]): boolean =>
    runs().every((run) => placed.some(({ word }) => word === run) || rest.some((word) => word.includes(run)))
  return lay(words)
}

function overlap(one: Laid, two: Laid): boolean {
  if (one.down) return one.col === two.col && one.row < two.row + two.word.length && two.row < one.row + one.word.length
  return one.row === two.row && one.col < two.col + two.word.length && two.col < one.col + one.word.length
}
