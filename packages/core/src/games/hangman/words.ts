import type { Entry, EntryList } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import { graphemesOf } from '../../text/graphemes.ts'
import { gridLetters, withoutLigatures, type LetterStyle } from '../../text/gridLetters.ts'
import type { FitNote } from '../contract.ts'
import type { HangmanOptions } from './options.ts'
import type { HangmanWord, WordCharacter } from './puzzle.ts'

/** A longer text is no word to guess by letters. */
const LONGEST = 40
/** Fewer different letters leave nothing to guess. */
const FEWEST_LETTERS = 2

/** Returns how the letters of a list are asked for. */
export function styleOf(list: EntryList, { accents, early }: Pick<HangmanOptions, 'accents' | 'early'>): LetterStyle {
  return { letterCase: early ? 'lower' : 'upper', accents, language: list.answerLanguage || undefined }
}

/** Returns the characters of a text: letters to ask for, and all else, which is there from the start. */
function charactersOf(text: string, style: LetterStyle): WordCharacter[] {
  return graphemesOf(withoutLigatures(text.trim().replace(/\s+/gu, ' '))).flatMap((shown): WordCharacter[] => {
    const cased = gridLetters(shown, { ...style, accents: 'kept' })
    if (cased.length === 0 || /\p{N}|\p{S}/u.test(cased[0]!)) return [{ shown: cased[0] ?? shown, letter: null }]
    // Some become two, in capitals or without what their language leaves out: ß, œ.
    const letters = gridLetters(shown, style)
    return letters.map((letter, place) => ({
      shown: letters.length === cased.length ? cased[place]! : letter,
      letter,
    }))
  })
}

const KNOWN = new WeakMap<Face, { style: string; characters: WordCharacter[] }>()

/** Returns the characters of a face; those of a face seen before are remembered, since every keystroke asks for all. */
function faceCharacters(face: Face, style: LetterStyle): WordCharacter[] {
  const key = `${style.letterCase} ${style.accents} ${style.language}`
  const known = KNOWN.get(face)
  if (known?.style === key) return known.characters
  const characters = charactersOf(face.text, style)
  KNOWN.set(face, { style: key, characters })
  return characters
}

/** Sorts a list's answers into words to guess, and notes about those that can't be. */
export function prepareWords(
  list: EntryList,
  options: Pick<HangmanOptions, 'accents' | 'early'>,
): { words: HangmanWord[]; notes: FitNote[] } {
  const style = styleOf(list, options)
  const words: HangmanWord[] = []
  const notes: FitNote[] = []
  for (const entry of list.entries) {
    if (isEmptyFace(entry.answer) && isEmptyFace(entry.prompt)) continue
    const characters = faceCharacters(entry.answer, style)
    const kinds = new Set(characters.flatMap(({ letter }) => letter ?? [])).size
    const code =
      characters.length === 0
        ? 'empty'
        : characters.length > LONGEST
          ? 'too-long'
          : kinds < FEWEST_LETTERS
            ? 'too-short'
            : undefined
    if (code) notes.push({ code, entryIds: [entry.id], values: { text: entry.answer.text } })
    else words.push(wordOf(entry, characters))
  }
  return { words, notes }
}

function wordOf({ id, answer, prompt, hint, fact }: Entry, characters: WordCharacter[]): HangmanWord {
  return { entryId: id, text: answer.text.trim(), characters, prompt, hint, fact }
}
