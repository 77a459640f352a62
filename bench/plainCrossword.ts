/**
 * A plain method to compare with: longest word first, where it crosses most, in one pass. Returns the area of its box and
 * how many words found no place.
 */
export function plainCrossword(answers: readonly string[]): { area: number; left: number } {
  const grid = new Map<string, string>()
  const used = new Map<string, number>()
  const box = { top: 0, left: 0, bottom: 0, right: 0 }
  const keyOf = (row: number, col: number): string => `${row} ${col}`
  const put = (word: string, row: number, col: number, down: boolean): void => {
    for (const [index, letter] of [...word].entries()) {
      const key = keyOf(row + (down ? index : 0), col + (down ? 0 : index))
      grid.set(key, letter)
      used.set(key, (used.get(key) ?? 0) | (down ? 2 : 1))
    }
    box.top = Math.min(box.top, row)
    box.left = Math.min(box.left, col)
    box.bottom = Math.max(box.bottom, down ? row + word.length - 1 : row)
    box.right = Math.max(box.right, down ? col : col + word.length - 1)
  }
  const crossings = (word: string, row: number, col: number, down: boolean): number => {
    const at = (index: number, beside = 0): string | undefined =>
      grid.get(down ? keyOf(row + index, col + beside) : keyOf(row + beside, col + index))
    if (at(-1) !== undefined || at(word.length) !== undefined) return 0
    let count = 0
    for (const [index, letter] of [...word].entries()) {
      const there = at(index)
      if (there === undefined && (at(index, -1) !== undefined || at(index, 1) !== undefined)) return 0
      if (there === undefined) continue
      const uses = used.get(down ? keyOf(row + index, col) : keyOf(row, col + index)) ?? 0
      if (there !== letter || (uses & (down ? 2 : 1)) !== 0) return 0
      count++
    }
    return count
  }
  let left = 0
  for (const word of [...answers].sort((one, two) => two.length - one.length)) {
    if (grid.size === 0) {
      put(word, 0, 0, false)
      continue
    }
    let best: { row: number; col: number; down: boolean; count: number } | undefined
    for (const [key, letter] of grid) {
      const [row, col] = key.split(' ').map(Number)
      const shared = [...word].flatMap((own, index) => (own === letter ? [index] : []))
      const places = shared.flatMap((index) => [
        { row: row!, col: col! - index, down: false },
        { row: row! - index, col: col!, down: true },
      ])
      for (const place of places) {
        const count = crossings(word, place.row, place.col, place.down)
        if (count > (best?.count ?? 0)) best = { ...place, count }
      }
    }
    if (best) put(word, best.row, best.col, best.down)
    else left++
  }
  return { area: (box.bottom - box.top + 1) * (box.right - box.left + 1), left }
}
