/** A question as it is weighed for what to teach again. */
interface Weighed {
  text: string
  counts: boolean
  right: number
  wrong: number
  passed: number
  given: readonly { given: string; count: number }[]
}

/** A question to teach again: how many knew it of those who met it, and the wrong answer that leads, where one does. */
export interface ToTeach {
  text: string
  right: number
  met: number
  leading: string | null
}

/** Entries that fewer than this share knew are worth a word. */
const KNOWN = 0.7
/** Fewest who gave a wrong answer before it is said to lead. */
const LEADS = 2

/** Returns the questions to teach again, the least known first. */
export function toTeachAgain(questions: readonly Weighed[], most = 3): ToTeach[] {
  return questions
    .map((question) => ({ ...question, met: question.right + question.wrong + question.passed }))
    .filter(({ counts, met, right }) => counts && met > 0 && right / met < KNOWN)
    .sort((one, other) => one.right / one.met - other.right / other.met || other.met - one.met)
    .slice(0, most)
    .map(({ text, right, met, given: [first] }) => ({
      text,
      right,
      met,
      leading: first !== undefined && first.count >= LEADS ? first.given : null,
    }))
}
