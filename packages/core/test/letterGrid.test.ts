import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { DIRECTIONS, type DirectionCount } from '../src/grid/directions.ts'
import { LetterGrid, type Position } from '../src/grid/letterGrid.ts'
import { WordTrie } from '../src/grid/wordTrie.ts'

const ALPHABET = 3
const NOTHING_BLOCKED = { trie: new WordTrie(1), numberOf: new Int16Array(ALPHABET).fill(-1) }

const word = fc.array(fc.nat(ALPHABET - 1), { minLength: 2, maxLength: 6 })
const board = fc.record({
  rows: fc.integer({ min: 2, max: 9 }),
  cols: fc.integer({ min: 2, max: 30 }),
  words: fc.array(word, { minLength: 1, maxLength: 8 }),
  count: fc.constantFrom<DirectionCount[]>(2, 4, 8),
  choices: fc.array(fc.nat(), { minLength: 40, maxLength: 40 }),
})

function trieOf(words: readonly number[][]): WordTrie {
  const trie = new WordTrie(ALPHABET)
  for (const spelled of words) {
    trie.add(spelled)
    trie.add([...spelled].reverse())
  }
  return trie
}

function isWithin(word: readonly number[], other: readonly number[]): boolean {
  return [other, [...other].reverse()].some((letters) => letters.join('').includes(word.join('')))
}

function cellsOf(grid: LetterGrid, length: number, { row, col, direction }: Position): number[] | undefined {
  const { dRow, dCol } = DIRECTIONS[direction]!
  const cells: number[] = []
  for (let index = 0; index < length; index++) {
    const r = row + index * dRow
    const c = col + index * dCol
    if (r < 0 || r >= grid.rows || c < 0 || c >= grid.cols) return undefined
    cells.push(r * grid.cols + c)
  }
  return cells
}

/** Every legal start of a word with its overlap, by looking at each cell. */
function startsByLooking(
  grid: LetterGrid,
  spelled: readonly number[],
  directions: readonly number[],
): Map<string, number> {
  const found = new Map<string, number>()
  for (const direction of directions) {
    for (let row = 0; row < grid.rows; row++) {
      for (let col = 0; col < grid.cols; col++) {
        const cells = cellsOf(grid, spelled.length, { row, col, direction })
        if (!cells?.every((cell, index) => grid.cells[cell]! < 0 || grid.cells[cell] === spelled[index])) continue
        found.set(`${row} ${col} ${direction}`, cells.filter((cell) => grid.cells[cell]! >= 0).length)
      }
    }
  }
  return found
}

/** How often a word is spelled in the grid, whichever way it is read, each set of cells counted once. */
function occurrences(grid: LetterGrid, spelled: readonly number[]): number {
  const found = new Set<string>()
  for (let direction = 0; direction < DIRECTIONS.length; direction++) {
    for (let cell = 0; cell < grid.cells.length; cell++) {
      const cells = cellsOf(grid, spelled.length, {
        row: Math.floor(cell / grid.cols),
        col: cell % grid.cols,
        direction,
      })
      if (cells?.every((at, index) => grid.cells[at] === spelled[index]))
        found.add([...cells].sort((one, other) => one - other).join())
    }
  }
  return found.size
}

/** Lays words one after another where the numbers say; gives what was laid. */
function fill(
  grid: LetterGrid,
  words: readonly number[][],
  directions: readonly number[],
  choices: readonly number[],
): { spelled: number[]; at: Position }[] {
  const laid: { spelled: number[]; at: Position }[] = []
  words.forEach((spelled, index) => {
    grid.search(spelled, directions)
    const total = grid.countStarts(-1, directions)
    if (total === 0) return
    const at = grid.nthStart(choices[index]! % total, -1, directions)
    if (grid.tryLay(spelled, at)) laid.push({ spelled, at })
  })
  return laid
}

describe('the grid of letters', () => {
  it('finds the legal starts and overlaps that looking at every cell finds', () => {
    fc.assert(
      fc.property(board, word, ({ rows, cols, words, count, choices }, wanted) => {
        const directions = DIRECTIONS.map((_, index) => index).slice(0, count)
        const grid = new LetterGrid(rows, cols, trieOf([]), NOTHING_BLOCKED)
        fill(grid, words, directions, choices)
        const expected = startsByLooking(grid, wanted, directions)
        expect(grid.search(wanted, directions)).to.equal(Math.max(-1, ...expected.values()))
        for (let overlap = 0; overlap <= wanted.length; overlap++) {
          const total = grid.countStarts(overlap, directions)
          const found = Array.from({ length: total }, (_, nth) => grid.nthStart(nth, overlap, directions)).map(
            ({ row, col, direction }) => `${row} ${col} ${direction}`,
          )
          expect(found).to.have.members([...expected].filter(([, value]) => value === overlap).map(([key]) => key))
          const cell = choices[39]! % grid.cells.length
          const covering = grid
            .startsCovering(cell, wanted.length, overlap, directions)
            .map(({ row, col, direction }) => `${row} ${col} ${direction}`)
          expect(covering).to.have.members(
            found.filter((key) => {
              const [row, col, direction] = key.split(' ').map(Number)
              return cellsOf(grid, wanted.length, { row: row!, col: col!, direction: direction! })?.includes(cell)
            }),
          )
        }
        expect(() => grid.nthStart(1e6, 0, directions)).to.throw(RangeError)
      }),
      { numRuns: runs(120) },
    )
  })

  it('lays a word only where nothing is spelled a second time, and spells each laid word once', () => {
    fc.assert(
      fc.property(board, ({ rows, cols, words, count, choices }) => {
        const directions = DIRECTIONS.map((_, index) => index).slice(0, count)
        // Words inside others are sorted out before any is laid; here too.
        const roots = words.filter((word) => !words.some((other) => other !== word && isWithin(word, other)))
        const grid = new LetterGrid(rows, cols, trieOf(roots), NOTHING_BLOCKED)
        const laid = fill(grid, roots, directions, choices)
        for (const spelled of roots) {
          expect(occurrences(grid, spelled)).to.equal(laid.some((one) => one.spelled === spelled) ? 1 : 0)
        }
        for (let cell = 0; cell < grid.cells.length; cell++) {
          if (grid.cells[cell]! >= 0) continue
          const letter = choices[cell % choices.length]! % ALPHABET
          const before = roots.map((spelled) => occurrences(grid, spelled))
          const set = grid.trySet(Math.floor(cell / cols), cell % cols, letter)
          if (!set) {
            grid.put(cell, letter)
            expect(roots.map((spelled) => occurrences(grid, spelled))).not.to.deep.equal(before)
            expect(grid.spellingSingles()).to.include(cell)
            grid.take(cell)
          } else expect(roots.map((spelled) => occurrences(grid, spelled))).to.deep.equal(before)
        }
      }),
      { numRuns: runs(70) },
    )
  })

  it('is as it was after words are lifted again, in any order', () => {
    fc.assert(
      fc.property(board, ({ rows, cols, words, count, choices }) => {
        const directions = DIRECTIONS.map((_, index) => index).slice(0, count)
        const grid = new LetterGrid(rows, cols, trieOf([]), NOTHING_BLOCKED)
        const laid = fill(grid, words, directions, choices)
        const kept = laid.filter((_, index) => choices[index]! % 2 === 0)
        for (const { spelled, at } of laid.filter((one) => !kept.includes(one))) grid.lift(spelled, at)
        const fresh = new LetterGrid(rows, cols, trieOf([]), NOTHING_BLOCKED)
        for (const { spelled, at } of [...kept].reverse()) fresh.lay(spelled, at)
        expect([...grid.cells]).to.deep.equal([...fresh.cells])
        expect(grid.spare()).to.equal(fresh.spare())
        expect(grid.search(words[0]!, directions)).to.equal(fresh.search(words[0]!, directions))
      }),
      { numRuns: runs(70) },
    )
  })
})
