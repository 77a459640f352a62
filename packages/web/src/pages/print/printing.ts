import { MAX_VERSIONS } from '@otter/api'
import { gameOf, type GameKind, type SheetBlock } from '@otter/core'

export type Paper = 'a4' | 'letter'

/** What a teacher chooses of the sheets. */
export interface Printing {
  versions: number
  paper: Paper
  key: boolean
  /** Code of the link whose QR code is printed; none where it is undefined. */
  code: string | undefined
  saveInk: boolean
}

export type PrintingStep = Partial<Printing>

export const PRINTING: Printing = { versions: 1, paper: 'a4', key: true, code: undefined, saveInk: false }

/** Returns the choices after one was changed; versions stay whole and within what can be printed. */
export function printingAfter(before: Printing, step: PrintingStep): Printing {
  const { versions } = { ...before, ...step }
  return { ...before, ...step, versions: Math.max(1, Math.min(MAX_VERSIONS, Math.round(versions) || 1)) }
}

/** A page of the sheets. */
export interface PlacedPage {
  blocks: SheetBlock[]
  /** Without lines for a name and a date. */
  bare: boolean
  /** Index of the version. */
  index: number
  isKey: boolean
  /** Index among the pages of its version. */
  page: number
}

/** Returns all pages in the order they are printed in: every version, then every key. */
export function pagesOf(kind: GameKind, puzzles: readonly unknown[], key: boolean): PlacedPage[] {
  return (key ? [false, true] : [false]).flatMap((isKey) =>
    puzzles.flatMap((puzzle, index) =>
      gameOf(kind)
        .sheet(puzzle, isKey)
        .map(({ blocks, bare = false }, page) => ({ blocks, bare, index, isKey, page })),
    ),
  )
}
