import type { SheetBlock, SheetGrid, SheetItems } from './sheet.ts'

/** Smallest and largest type of a sheet, in points; larger for those who learn to read. */
const TYPE = { usual: { least: 10, most: 14 }, early: { least: 14, most: 20 } }
const STEP = 0.5
/** Width of a page between its margins, of what stands before a text, and between columns; in points. */
const PAGE_WIDTH = 515
const ASIDE = 34
const BETWEEN = 24
/** Room around a list, between its rows, and before a line below an item; size and room of its heading; in points. */
const LIST_MARGIN = 16
const ROW_MARGIN = 4
const BELOW_MARGIN = 4
const HEADING = 20
const PICTURE = 30
/** Height of a line, and width of a letter, by the size of type. A letter of Chinese or Japanese is as wide as it is high. */
const LINE = 1.34
const LETTER = 0.5
const WIDE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u
/** Largest cell, tallest grid, and the share of a page that a grid gets at least. */
const CELL = { framed: 30, open: 40 }
const TALLEST = { framed: 470, open: 520 }
const LEAST_OF_GRID = 1 / 3

/** How the blocks of a page share its room. */
export interface PageType {
  /** Size of type, in points. */
  size: number
  /** Height that is left for a grid, in points. */
  gridHeight: number
}

/**
 * Returns the largest type in which the blocks of a page fit into its height (in points), and what that leaves to a grid;
 * the smallest one where none does.
 */
export function typeFor(blocks: readonly SheetBlock[], height: number, early: boolean): PageType {
  const { least, most } = TYPE[early ? 'early' : 'usual']
  const grids = blocks.filter((block) => block.type === 'grid')
  const wished = grids.reduce((sum, grid) => sum + heightOfGrid(grid), 0)
  let size = most
  while (size > least && heightOf(blocks, size) + wished > height) size -= STEP
  return { size, gridHeight: Math.max(height * LEAST_OF_GRID, height - heightOf(blocks, size)) }
}

/** Returns the height of a grid where it has all the room, in points. */
function heightOfGrid({ rows, cols, framed }: SheetGrid): number {
  const kind = framed ? 'framed' : 'open'
  return Math.min(TALLEST[kind], rows * Math.min(CELL[kind], PAGE_WIDTH / cols))
}

/** Returns about how high the blocks of a page stand without its grid, in points. */
function heightOf(blocks: readonly SheetBlock[], size: number): number {
  return blocks.reduce((sum, block) => sum + heightOfBlock(block, size, PAGE_WIDTH), 0)
}

function heightOfBlock(block: SheetBlock, size: number, width: number): number {
  if (block.type === 'row') {
    const share = (width - BETWEEN) / block.blocks.length
    return Math.max(...block.blocks.map((part) => heightOfBlock(part, size, share)))
  }
  if (block.type === 'text') return LIST_MARGIN + linesOf(block.text, width / size) * size * LINE
  return block.type === 'items' ? heightOfItems(block, size, width) : 0
}

function heightOfItems({ heading, columns, items }: SheetItems, size: number, width: number): number {
  const ems = (width / columns - ASIDE) / size
  const heights = items.map(
    ({ text, note, answer, picture, below = [] }) =>
      ROW_MARGIN +
      Math.max(
        picture === undefined ? 0 : PICTURE,
        linesOf([text, note, answer].filter((part) => part !== '').join('   '), ems) * size * LINE,
      ) +
      below.reduce((sum, line) => sum + BELOW_MARGIN + linesOf(line, ems) * size * LINE, 0),
  )
  // Rows of several columns are as high as the highest in them.
  let height = LIST_MARGIN + (heading ? HEADING : 0)
  for (let at = 0; at < heights.length; at += columns) height += Math.max(...heights.slice(at, at + columns))
  return height
}

function linesOf(text: string, ems: number): number {
  let width = 0
  for (const letter of text) width += WIDE.test(letter) ? 1 : LETTER
  return Math.max(1, Math.ceil(width / Math.max(1, ems)))
}
