import type { ToldAnswer } from '@otter/core/games/quiz'

/** Reasons that say nothing which a screen does not show already. */
const PLAIN = ['none', 'exact', 'letters', 'empty', 'different'] as const
type Plain = (typeof PLAIN)[number]

/** Tells whether a reason for which an answer counts, or does not, is worth a sentence. */
export function isTelling(why: ToldAnswer['why']): why is Exclude<ToldAnswer['why'], Plain> {
  return !(PLAIN as readonly string[]).includes(why)
}
