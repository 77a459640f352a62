import type { Entry } from '../entry.ts'
import type { EntryList } from '../entry.ts'
import { isEmptyFace } from '../face.ts'
import { accepts } from './choices.ts'
import type { Check, CheckNote } from './check.ts'
import { faceKey } from './faceKey.ts'

/** Returns pairs of an entry and an earlier one with the same key, and the earlier one's row. */
function repeatsBy(list: EntryList, keyOf: (entry: Entry) => string): { entry: Entry; first: Entry; row: number }[] {
  const firstOf = new Map<string, number>()
  return list.entries.flatMap((entry, index) => {
    const key = keyOf(entry)
    if (key === '') return []
    const first = firstOf.get(key)
    if (first !== undefined) return [{ entry, first: list.entries[first]!, row: first + 1 }]
    firstOf.set(key, index)
    return []
  })
}

const without = <Row extends Entry>(entries: readonly Row[], note: CheckNote): Row[] =>
  entries.filter(({ id }) => id !== note.entryIds[0])

/** The same answer and the same prompt once more. */
export const sameRow: Check = {
  find: (list) =>
    repeatsBy(list, ({ answer, prompt }) =>
      isEmptyFace(answer) || isEmptyFace(prompt) ? '' : `${faceKey(answer)}\u0001${faceKey(prompt)}`,
    ).map(({ entry, row }) => ({
      code: 'same-row',
      weight: 'harm',
      entryIds: [entry.id],
      values: { row },
      mends: [{ code: 'remove-row', values: {} }],
    })),
  mend: without,
}

/** One prompt with two different answers: nobody can know which is meant. */
export const samePrompt: Check = {
  find: (list) =>
    repeatsBy(list, ({ prompt }) => faceKey(prompt))
      .filter(
        ({ entry, first }) =>
          faceKey(entry.answer) !== faceKey(first.answer) &&
          !(accepts(entry, first.answer.text) && accepts(first, entry.answer.text)),
      )
      .map(({ entry, first, row }) => ({
        code: 'same-prompt',
        weight: 'harm',
        entryIds: [entry.id, first.id],
        values: { row },
        mends: entry.answer.text !== '' && first.answer.text !== '' ? [{ code: 'accept-both', values: { row } }] : [],
      })),
  mend: (entries, { entryIds: [one, other] }) => {
    const textOf = (id: string): string => entries.find((entry) => entry.id === id)?.answer.text ?? ''
    return entries.map((entry) => {
      if (entry.id !== one && entry.id !== other) return entry
      const text = textOf(entry.id === one ? other! : one!)
      return text === '' || accepts(entry, text) ? entry : { ...entry, accepted: [...entry.accepted, text] }
    })
  },
}

/** One answer with two different prompts: fine for some games, not for others. */
export const sameAnswer: Check = {
  find: (list) =>
    repeatsBy(list, ({ answer }) => faceKey(answer))
      .filter(({ entry, first }) => faceKey(entry.prompt) !== faceKey(first.prompt) || isEmptyFace(entry.prompt))
      .map(({ entry, first, row }) => ({
        code: 'same-answer',
        weight: 'look',
        entryIds: [entry.id, first.id],
        values: { row },
        mends: isEmptyFace(entry.prompt)
          ? [{ code: 'remove-row', values: {} }]
          : entry.prompt.picture || entry.prompt.sound || first.prompt.text === ''
            ? []
            : [{ code: 'join-rows', values: { row } }],
      })),
  mend: (entries, note, { code }) => {
    const [repeated, first] = note.entryIds
    const prompt = entries.find(({ id }) => id === repeated)?.prompt.text ?? ''
    const rest = without(entries, note)
    return code === 'remove-row'
      ? rest
      : rest.map((entry) =>
          entry.id === first
            ? { ...entry, prompt: { ...entry.prompt, text: `${entry.prompt.text}; ${prompt}` } }
            : entry,
        )
  },
}
