import { MAX_SIDE } from '../../grid/letterGrid.ts'
import { gridLetters, graphemesOf } from '../../text/graphemes.ts'
import { foldText } from '../../text/foldText.ts'
import { isEmptyEntry, type Entry } from '../entry.ts'
import { isEmptyFace } from '../face.ts'
import { checkEach, type Check } from './check.ts'

/** A row with nothing in it. */
export const emptyRow = checkEach((entry) => (isEmptyEntry(entry) ? [{ code: 'empty-row', weight: 'look', entryIds: [entry.id], values: {}, mends: [{ code: 'remove-row', values: {} }] }] : []))
emptyRow.mend = (entries, note) => entries.filter(({ id }) => id !== note.entryIds[0])

/** A prompt without an answer. Choices without a right one are another matter. */
export const emptyAnswer = checkEach((entry) => {
  if (!isEmptyFace(entry.answer) || isEmptyEntry(entry) || entry.choices.some((choice) => !isEmptyFace(choice))) return []
  return [{ code: 'empty-answer', weight: 'harm', entryIds: [entry.id], values: {}, mends: isEmptyFace(entry.prompt) ? [] : [{ code: 'move-to-answer', values: {} }] }]
}, ({ prompt }) => ({ answer: prompt, prompt: { text: '' } }))

/** An answer without a prompt, in a list where most have one. */
export const emptyPrompt: Check = {
  find: ({ entries }) => {
    const bare = entries.filter((entry) => isEmptyFace(entry.prompt) && !isEmptyFace(entry.answer))
    const filled = entries.filter(({ prompt }) => !isEmptyFace(prompt)).length
    return bare.length < filled ? bare.map(({ id }) => ({ code: 'empty-prompt', weight: 'look', entryIds: [id], values: {}, mends: [] })) : []
  },
}

/** Answers shorter than this are found in any sentence by chance; in letters. */
const SHORTEST_GIVEN_AWAY = 3
const BLANK = '____'

/** A prompt that holds its answer. */
export const givesAway = checkEach((entry) => {
  const found = answerInside(entry)
  return found === undefined ? [] : [{ code: 'gives-away', weight: 'harm', entryIds: [entry.id], values: { text: found }, mends: [{ code: 'blank-out', values: { text: found } }] }]
}, ({ prompt, answer }, { values }) => ({ prompt: { ...prompt, text: prompt.text.replace(wordOf(String(values.text)) ?? answer.text, BLANK).replace(wordOf(answer.text) ?? answer.text, BLANK) } }))

function answerInside({ answer, prompt }: Entry): string | undefined {
  const text = answer.text.trim()
  if (text === '' || prompt.text === '' || graphemesOf(text).length < (UNSPACED.test(text) ? 2 : SHORTEST_GIVEN_AWAY) || foldText(text) === foldText(prompt.text)) return undefined
  return wordOf(text)?.exec(prompt.text)?.[0]
}

const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u

/** Finds a text as whole words, in any case; scripts without spaces are searched anywhere. */
function wordOf(text: string): RegExp | undefined {
  const escaped = text.trim().replace(/[.*+?^${}()|[\]\\/]/gu, '\\$&').replace(/\s+/gu, '\\s+')
  if (escaped === '') return undefined
  return UNSPACED.test(text) ? new RegExp(escaped, 'giu') : new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'giu')
}

/** A word that no grid is large enough for. */
export const longWord = checkEach((entry, { answerLanguage }) => {
  const letters = gridLetters(entry.answer.text, { letterCase: 'upper', accents: 'kept', language: answerLanguage || undefined }).length
  return letters > MAX_SIDE ? [{ code: 'long-word', weight: 'look', entryIds: [entry.id], values: { letters, most: MAX_SIDE }, mends: [] }] : []
})
