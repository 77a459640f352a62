import type { Face } from '../../list/face.ts'
import type { ThreadOptions } from './options.ts'

/** Something on a slip, and the link that it belongs to, by its place. */
interface ThreadItem {
  entryId: string
  text: string
  face: Face
  link: number
}

/** Slips in the order in which they lie, and their links. */
export interface ThreadPuzzle extends Pick<ThreadOptions, 'say' | 'teams'> {
  items: ThreadItem[]
  links: string[]
  /** Other groups of the list, to choose among. */
  otherLinks: string[]
  each: number
  /** BCP 47 code of the language that links are told in. */
  language: string
}
