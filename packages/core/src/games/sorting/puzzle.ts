import type { Face } from '../../list/face.ts'
import type { SortingOptions } from './options.ts'

/** Something to be put where it belongs. */
export interface SortingItem {
  entryId: string
  text: string
  face: Face
  /** The groups it belongs to, by their places: each of them is right. */
  groups: number[]
}

/** Groups, and what is sorted into them. */
export interface SortingPuzzle extends Pick<SortingOptions, 'check' | 'teams'> {
  groups: string[]
  items: SortingItem[]
}
