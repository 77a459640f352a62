/** A key as it is pressed in a cell. */
export interface KeyPress {
  key: string
  shift: boolean
  alt: boolean
  /** Ctrl, or Cmd. */
  control: boolean
}

/** Where the caret is in a cell's field; a cell without one is at both ends. */
export interface CaretPlace {
  atStart: boolean
  atEnd: boolean
  /** Whether a part of the text is marked. */
  marks: boolean
  rightToLeft: boolean
}

/** What of the table matters for a key. */
export interface TablePlace {
  row: number
  /** Entries; the row after them is empty. */
  count: number
  selects: boolean
}

/** What a key does in the table. */
export type TableCommand =
  | { name: 'row' | 'column' | 'extend' | 'move'; by: -1 | 1 }
  | {
      name:
        | 'unselect'
        | 'clear'
        | 'undo'
        | 'redo'
        | 'fill'
        | 'fill-from-above'
        | 'select-all'
        | 'select-row'
        | 'open'
        | 'remove'
        | 'mends'
    }

type Rule = (press: KeyPress, caret: CaretPlace, place: TablePlace) => TableCommand | undefined

const isEntry = ({ row, count }: TablePlace): boolean => row < count

function vertical(by: -1 | 1): Rule {
  return ({ alt, shift }, { atStart, atEnd }, { selects }) => {
    if (alt) return { name: 'move', by }
    const isAtEdge = by < 0 ? atStart : atEnd
    if (shift) return isAtEdge || (by < 0 && selects) ? { name: 'extend', by } : undefined
    return isAtEdge ? { name: 'row', by } : undefined
  }
}

function horizontal(by: -1 | 1): Rule {
  return ({ shift, alt }, { atStart, atEnd, marks, rightToLeft }) => {
    const isAtEdge = by < 0 !== rightToLeft ? atStart : atEnd
    return isAtEdge && !shift && !alt && !marks ? { name: 'column', by } : undefined
  }
}

const clear: Rule = ({ control }, _caret, { selects }) => (selects && !control ? { name: 'clear' } : undefined)

const RULES: Partial<Record<string, Rule>> = {
  enter: ({ alt, shift }, _caret, place) => {
    if (alt) return isEntry(place) ? { name: 'mends' } : undefined
    return { name: 'row', by: shift ? -1 : 1 }
  },
  arrowup: vertical(-1),
  arrowdown: vertical(1),
  arrowleft: horizontal(-1),
  arrowright: horizontal(1),
  escape: (_press, _caret, { selects }) => (selects ? { name: 'unselect' } : undefined),
  delete: clear,
  backspace: (press, caret, place) =>
    press.control && isEntry(place) ? { name: 'remove' } : clear(press, caret, place),
  z: ({ control, shift }) => (control ? { name: shift ? 'redo' : 'undo' } : undefined),
  y: ({ control }) => (control ? { name: 'redo' } : undefined),
  d: ({ control }, _caret, place) => {
    if (!control) return undefined
    if (place.selects) return { name: 'fill' }
    return place.row > 0 && isEntry(place) ? { name: 'fill-from-above' } : undefined
  },
  a: ({ control }, { atStart, atEnd }) => (control && atStart && atEnd ? { name: 'select-all' } : undefined),
  '.': ({ control }, _caret, place) => (control && isEntry(place) ? { name: 'open' } : undefined),
  ' ': ({ control, shift }, _caret, place) => (control && shift && isEntry(place) ? { name: 'select-row' } : undefined),
}

/** Returns what a key does; undefined where it belongs to the field. */
export function commandFor(press: KeyPress, caret: CaretPlace, place: TablePlace): TableCommand | undefined {
  return RULES[press.key.toLowerCase()]?.(press, caret, place)
}

/** Returns where the caret is in what a key was pressed in. */
export function caretIn(element: HTMLElement): CaretPlace {
  if (!(element instanceof HTMLTextAreaElement)) return { atStart: true, atEnd: true, marks: false, rightToLeft: false }
  const { selectionStart, selectionEnd, value } = element
  return {
    atStart: selectionStart === 0,
    atEnd: selectionEnd === value.length,
    marks: selectionStart !== selectionEnd,
    rightToLeft: getComputedStyle(element).direction === 'rtl',
  }
}
