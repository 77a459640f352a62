import type { ReadingDirection } from '../text/direction.ts'

/** A cell of a printed grid. */
interface SheetCell {
  text: string
  number?: number
}

/** A grid of letters. Columns count along the reading direction. */
export interface SheetGrid {
  type: 'grid'
  rows: number
  cols: number
  direction: ReadingDirection
  /** Row by row; null where there is no cell. */
  cells: (SheetCell | null)[]
  /** Lines through cells, as on a key. */
  lines: { row: number; col: number; toRow: number; toCol: number }[]
  /** Whether each cell has a frame, or the grid alone. */
  framed: boolean
}

/** Words or clues, in columns. */
export interface SheetItems {
  type: 'items'
  heading?: 'across' | 'down'
  columns: 1 | 2 | 4
  /** Set for lists whose order goes with the words' reading direction. */
  direction?: ReadingDirection
  items: SheetItem[]
}

interface SheetItem {
  /** A number before it; empty for none. */
  label: string
  text: string
  /** What stands behind it, as "(5)". */
  note: string
  /** The answer, on a key. */
  answer: string
  /** Id of its picture. */
  picture?: string
  /** Lines below it: room to write, or choices. */
  below?: string[]
}

interface SheetText {
  type: 'text'
  text: string
}

/** A square of a card, or a token. */
export interface SheetSquare {
  text: string
  /** Id of its picture. */
  picture?: string
}

/** A square card with a label of its own. */
export interface SheetCard {
  label: string
  size: number
  direction: ReadingDirection
  /** Row by row; null for a free square. */
  cells: (SheetSquare | null)[]
}

/** Cards to cut apart, so many to a page. */
export interface SheetCards {
  type: 'cards'
  perPage: 1 | 2 | 4
  cards: SheetCard[]
}

/** Pieces to cut apart. */
export interface SheetTokens {
  type: 'tokens'
  tokens: SheetSquare[]
}

/** Cards of equal size that fill a page, to cut apart or to fold; null where a place stays empty. */
export interface SheetDeck {
  type: 'deck'
  columns: number
  rows: number
  cells: (SheetSquare | null)[]
}

export type SheetBlock = SheetGrid | SheetItems | SheetText | SheetRow | SheetCards | SheetTokens | SheetDeck

/** Blocks side by side. */
interface SheetRow {
  type: 'row'
  blocks: (SheetItems | SheetText)[]
}

/** One printed page without its head and foot, for paper and PDF alike. */
export interface SheetPage {
  /** Without a line for name and date. */
  bare?: boolean
  blocks: SheetBlock[]
}
