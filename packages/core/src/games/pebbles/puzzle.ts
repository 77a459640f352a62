import type { WallQuestion } from '../../wall/questions.ts'
import type { PebblesOptions } from './options.ts'

/** Pebbles in the riverbed, each with a question. */
export interface PebblesPuzzle extends Pick<
  PebblesOptions,
  'answers' | 'wrong' | 'values' | 'twists' | 'seconds' | 'teams'
> {
  questions: (WallQuestion & { value: number })[]
}
