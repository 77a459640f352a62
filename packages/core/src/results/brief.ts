/** A question as it is weighed for what to teach again. */
interface Weighed {
  text: string
  counts: boolean
  right: number
  wrong: number
  given: readonly { given: string; count: number }[]
}

/** A question to teach again: how many knew it of those who answered it, and the wrong answer that leads, where one does. */
export type ToTeach<Question> = Question & { answered: number; leading: string | null }

/** Entries that fewer than this share knew are worth a word. */
const KNOWN = 0.7
/** Fewest who gave a wrong answer before it is said to lead. */
const LEADS = 2

/**
 * Returns the questions to teach again, the least known first. Answers alone count: what was passed over may not have been
 * reached.
 */
export function toTeachAgain<Question extends Weighed>(questions: readonly Question[], most = 3): ToTeach<Question>[] {
  return questions
    .map((question) => ({ ...question, answered: question.right + question.wrong }))
    .filter(({ counts, answered, right }) => counts && answered > 0 && right / answered < KNOWN)
    .sort((one, other) => one.right / one.answered - other.right / other.answered || other.answered - one.answered)
    .slice(0, most)
    .map((question) => {
      const [first] = question.given
      return { ...question, leading: first !== undefined && first.count >= LEADS ? first.given : null }
    })
}
