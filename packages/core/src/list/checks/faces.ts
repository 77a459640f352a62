import { MAX_SIDE } from '../../grid/letterGrid.ts'
import { graphemesOf } from '../../text/graphemes.ts'
import { gridLetters } from '../../text/gridLetters.ts'
import { foldText } from '../../text/foldText.ts'
import { isEmptyEntry } from '../entry.ts'
import { isEmptyFace } from '../face.ts'
import { checkEach, type Check } from './check.ts'

/** A row with nothing in it. */
export const emptyRow = checkEach((entry) =>
  isEmptyEntry(entry)
    ? [
        {
          code: 'empty-row',
          weight: 'look',
          entryIds: [entry.id],
          values: {},
          mends: [{ code: 'remove-row', values: {} }],
        },
      ]
    : [],
)
emptyRow.mend = (entries, note) => entries.filter(({ id }) => id !== note.entryIds[0])

/** A prompt without an answer. Choices without a right one are another matter. */
export const emptyAnswer = checkEach(
  (entry) => {
    if (!isEmptyFace(entry.answer) || isEmptyEntry(entry) || entry.choices.some((choice) => !isEmptyFace(choice)))
      return []
    return [
      {
        code: 'empty-answer',
        weight: 'harm',
        entryIds: [entry.id],
        values: {},
        mends: isEmptyFace(entry.prompt) ? [] : [{ code: 'move-to-answer', values: {} }],
      },
    ]
  },
  ({ prompt }) => ({ answer: prompt, prompt: { text: '' } }),
)

/** An answer without a prompt, in a list where most have one. */
export const emptyPrompt: Check = {
  find: ({ entries }) => {
    const bare = entries.filter((entry) => isEmptyFace(entry.prompt) && !isEmptyFace(entry.answer))
    const filled = entries.filter(({ prompt }) => !isEmptyFace(prompt)).length
    return bare.length < filled
      ? bare.map(({ id }) => ({ code: 'empty-prompt', weight: 'look', entryIds: [id], values: {}, mends: [] }))
      : []
  },
}

/** Answers shorter than this are found in any sentence by chance; in letters. */
const SHORTEST_GIVEN_AWAY = 3
const BLANK = '____'

/** A prompt that holds its answer. */
export const givesAway = checkEach(
  (entry) => {
    const { answer, prompt } = entry
    const text = answer.text.trim()
    if (
      text === '' ||
      prompt.text === '' ||
      graphemesOf(text).length < (UNSPACED.test(text) ? 2 : SHORTEST_GIVEN_AWAY) ||
      foldText(text) === foldText(prompt.text)
    )
      return []
    const [found] = placesOf(text, prompt.text)
    return found === undefined
      ? []
      : [
          {
            code: 'gives-away',
            weight: 'harm',
            entryIds: [entry.id],
            values: { text: prompt.text.slice(found, found + text.length) },
            mends: [{ code: 'blank-out', values: {} }],
          },
        ]
  },
  ({ prompt, answer }) => {
    const length = answer.text.trim().length
    const blanked = placesOf(answer.text.trim(), prompt.text).reduceRight(
      (text, at) => text.slice(0, at) + BLANK + text.slice(at + length),
      prompt.text,
    )
    return { prompt: { ...prompt, text: blanked } }
  },
)

const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u
const WORD_END = /[\p{L}\p{N}]$/u
const WORD_START = /^[\p{L}\p{N}]/u

/** Returns where a text stands in another as whole words, in any case; scripts without spaces are searched anywhere. */
function placesOf(text: string, within: string): number[] {
  // Lower case of the same length, so that places stay the same.
  const lower = (one: string): string =>
    [...one].map((letter) => (letter.toLowerCase().length === letter.length ? letter.toLowerCase() : letter)).join('')
  const [needle, hay] = [lower(text), lower(within)]
  const anywhere = UNSPACED.test(text)
  const places: number[] = []
  for (let at = hay.indexOf(needle); at >= 0; at = hay.indexOf(needle, at + 1)) {
    const whole =
      anywhere ||
      (!WORD_END.test(within.slice(Math.max(0, at - 2), at)) &&
        !WORD_START.test(within.slice(at + text.length, at + text.length + 2)))
    if (whole && at >= (places.at(-1) ?? -text.length) + text.length) places.push(at)
  }
  return places
}

/** A word that no grid is large enough for. */
export const longWord = checkEach((entry, { answerLanguage }) => {
  const letters = gridLetters(entry.answer.text, {
    letterCase: 'upper',
    accents: 'kept',
    language: answerLanguage || undefined,
  }).length
  return letters > MAX_SIDE
    ? [{ code: 'long-word', weight: 'look', entryIds: [entry.id], values: { letters, most: MAX_SIDE }, mends: [] }]
    : []
})
