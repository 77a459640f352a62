import type { CSSProperties } from 'react'

/** Returns the style that tells a board on the wall how wide it is for its height. */
export function wallShape(cols: number, rows: number): CSSProperties {
  return { '--wall-shape': cols / rows } as CSSProperties
}
