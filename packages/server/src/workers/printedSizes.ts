/** Largest letters of a card, in points. */
export const LARGEST_TYPE = 34
/** Largest cell and tallest grid, in points. */
export const LARGEST = { open: 40, framed: 30 }
export const TALLEST = { open: 520, framed: 470 }
