/** Colours of print: of words, of what is said beside them, and of lines. */
export const INK = '#14312F'
export const QUIET = '#46605B'
export const RULE = '#D9D2C0'

/** How much of a picture is left where ink is saved. */
export const PALE = 0.5
