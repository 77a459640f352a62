import { z } from 'zod'
import { Forms, NO_LETTER } from '../text/judging/forms.ts'
import type { Outcome } from './contract.ts'

/** Most answers of one question that are judged otherwise, and the longest of them, in UTF-16 units. */
const MOST_ANSWERS = 50
const LONGEST = 2000

/** What a teacher says of a question after it was shared: how answers to it count, from first to last. */
export const Correction = z.object({
  entryId: z.uuid(),
  /** Whether it is taken out of the scoring. */
  takenOut: z.boolean().default(false),
  /** What counts as right, and what as wrong, whatever the game said. */
  right: z.array(z.string().min(1).max(LONGEST)).max(MOST_ANSWERS).default([]),
  wrong: z.array(z.string().min(1).max(LONGEST)).max(MOST_ANSWERS).default([]),
})
export type Correction = z.infer<typeof Correction>

/** Returns what an answer comes to, once the teacher's word is heard. Opinions and what was passed over stay so. */
export function correctedOutcome(
  judged: Outcome,
  given: string,
  correction: Pick<Correction, 'right' | 'wrong'> | undefined,
): Outcome {
  if (!correction || (judged !== 'right' && judged !== 'wrong')) return judged
  const key = keyOf(given)
  if (key === '') return judged
  if (correction.right.some((answer) => keyOf(answer) === key)) return 'right'
  return correction.wrong.some((answer) => keyOf(answer) === key) ? 'wrong' : judged
}

/**
 * Returns an answer as two are compared: without case, spaces and punctuation, as answers are judged; beside a digit each
 * sign tells, but for one that ends a sentence.
 */
function keyOf(given: string): string {
  const forms = new Forms(given, '')
  if (forms.hasDigit()) return forms.small().replace(/[\s.!?…]+$/u, '')
  return forms.small().replace(NO_LETTER, ' ').trim() || forms.exact
}
