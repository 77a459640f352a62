import type { Entry } from '../list/entry.ts'
import type { Face } from '../list/face.ts'
import { foldText } from '../text/foldText.ts'

/** Letters from which a text counts as told wherever it stands in another; shorter ones only as a word. */
const LONG_ENOUGH = 3

/**
 * Returns entries whose pictures are marked where their words would tell: where they hold a text of either side, or one
 * that counts as right.
 */
export function markTelling(entries: readonly Entry[]): Entry[] {
  return entries.map((entry) => {
    const mark = marker([
      entry.answer.text,
      entry.prompt.text,
      ...entry.accepted,
      ...entry.choices.flatMap(({ text, right }) => (right ? [text] : [])),
    ])
    return { ...entry, answer: mark(entry.answer), prompt: mark(entry.prompt), choices: entry.choices.map(mark) }
  })
}

/** Returns a function that marks a face's picture where its words hold one of the texts. */
function marker(texts: readonly string[]): <Side extends Face>(face: Side) => Side {
  const secrets = texts.map((text) => foldText(text, { accents: 'folded' })).filter((text) => text !== '')
  return (face) => {
    if (!face.picture) return face
    const words = foldText(face.picture.alt, { accents: 'folded' })
    const tells = secrets.some((secret) =>
      secret.length >= LONG_ENOUGH ? words.includes(secret) : ` ${words} `.includes(` ${secret} `),
    )
    return tells ? { ...face, picture: { ...face.picture, tells } } : face
  }
}

/**
 * Returns a puzzle of the time before pictures were marked, with its pictures marked: by the texts that stand beside
 * them.
 */
export function markTellingIn(puzzle: unknown): unknown {
  if (Array.isArray(puzzle)) return puzzle.map(markTellingIn)
  if (typeof puzzle !== 'object' || puzzle === null) return puzzle
  if (!('entryId' in puzzle))
    return Object.fromEntries(Object.entries(puzzle).map(([name, value]) => [name, markTellingIn(value)]))
  const { text, accepted, ...item } = puzzle as Record<string, unknown>
  const faces = Object.entries(item).filter((pair): pair is [string, Face] => isFace(pair[1]))
  const mark = marker(
    [text, ...(Array.isArray(accepted) ? (accepted as unknown[]) : []), ...faces.map(([, face]) => face.text)].filter(
      (one) => typeof one === 'string',
    ),
  )
  const choices = Array.isArray(item.choices)
    ? {
        choices: (item.choices as { face?: unknown }[]).map((choice) =>
          isFace(choice.face) ? { ...choice, face: mark(choice.face) } : choice,
        ),
      }
    : {}
  return { ...puzzle, ...Object.fromEntries(faces.map(([name, face]) => [name, mark(face)])), ...choices }
}

function isFace(value: unknown): value is Face {
  return typeof value === 'object' && value !== null && typeof (value as { text?: unknown }).text === 'string'
}
