import { foldText } from '../../text/foldText.ts'
import type { Entry } from '../entry.ts'
import { isEmptyFace } from '../face.ts'
import { checkEach } from './check.ts'
import { faceKey } from './faceKey.ts'

/** A question with choices of which none is marked right: the classic mistake. */
export const noRightChoice = checkEach(
  (entry) => {
    const choices = entry.choices.filter((choice) => !isEmptyFace(choice))
    if (choices.length === 0 || !isEmptyFace(entry.answer) || choices.some(({ right }) => right)) return []
    const mends = choices.slice(0, 6).map((choice) => ({
      code: 'mark-choice' as const,
      values: { index: entry.choices.indexOf(choice), choice: choice.text },
    }))
    return [
      { code: 'no-right-choice', weight: 'harm', entryIds: [entry.id], values: { choices: choices.length }, mends },
    ]
  },
  (entry, { values }) => {
    const { right: _, ...face } = entry.choices[Number(values.index)]!
    return { answer: face, choices: entry.choices.filter((_choice, index) => index !== values.index) }
  },
)

/** A wrong choice that says the same as a right one. */
export const choiceIsRight = checkEach(
  (entry) => {
    const right = rightKeys(entry)
    const wrong = entry.choices.findIndex((choice) => !choice.right && right.has(faceKey(choice)))
    if (wrong < 0) return []
    const values = { index: wrong, choice: entry.choices[wrong]!.text }
    return [
      {
        code: 'choice-is-right',
        weight: 'harm',
        entryIds: [entry.id],
        values,
        mends: [{ code: 'remove-choice', values }],
      },
    ]
  },
  (entry) => {
    const right = rightKeys(entry)
    return { choices: entry.choices.filter((choice) => choice.right || !right.has(faceKey(choice))) }
  },
)

/** Returns the keys of all that is right for an entry. */
function rightKeys(entry: Entry): Set<string> {
  return new Set(
    [
      faceKey(entry.answer),
      ...entry.accepted.map((text) => faceKey({ text })),
      ...entry.choices.filter((choice) => choice.right).map(faceKey),
    ].filter((key) => key !== ''),
  )
}

/** Tells whether a text is among the answers that an entry accepts. */
export function accepts(entry: { accepted: readonly string[] }, text: string): boolean {
  const folded = foldText(text)
  return entry.accepted.some((one) => foldText(one) === folded)
}
