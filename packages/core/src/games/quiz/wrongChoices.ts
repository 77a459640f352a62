import type { Entry } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import { faceKey } from '../../list/checks/faceKey.ts'
import type { Random } from '../../random/random.ts'
import { foldText } from '../../text/foldText.ts'
import { numbersInWords } from '../../text/numberWords.ts'

/** Most answers looked at for one question. */
const LOOKED_AT = 300

/** What of an answer makes it a plausible wrong one for another. */
interface Candidate {
  entry: Entry
  /** Equal for answers that mean the same to a judge. */
  meaning: string
  prompt: string
  length: number
  words: number
  isNumber: boolean
  isCapital: boolean
  ending: string
}

/** Draws wrong choices for the questions of a list. */
export class WrongChoices {
  private readonly candidates: Candidate[]
  private readonly byId: Map<string, Candidate>
  private readonly answersTo = new Map<string, Set<string>>()
  private readonly language: string

  constructor(entries: readonly Entry[], language: string) {
    this.language = language
    this.candidates = entries
      .filter(({ answer, scored }) => scored && !isEmptyFace(answer))
      .map((entry) => this.candidateOf(entry))
    this.byId = new Map(this.candidates.map((candidate) => [candidate.entry.id, candidate]))
    for (const { prompt, meaning } of this.candidates) {
      const meanings = this.answersTo.get(prompt) ?? new Set()
      this.answersTo.set(prompt, meanings.add(meaning))
    }
  }

  /**
   * Returns up to so many answers of other entries that are wrong here: none means the same as a right one, none
   * belongs to an entry with the same prompt. The likeliest to be mistaken come first: of the same group, kind, length
   * and ending.
   */
  draw(entry: Entry, most: number, random: Random): Face[] {
    const asked = this.byId.get(entry.id) ?? this.candidateOf(entry)
    const right = new Set([
      asked.meaning,
      ...entry.accepted.map((text) => this.meaningOf({ text })),
      ...entry.choices.filter((choice) => choice.right).map((choice) => this.meaningOf(choice)),
      ...(this.answersTo.get(asked.prompt) ?? []),
    ])
    const from = random.below(Math.max(1, this.candidates.length))
    const looked = Array.from(
      { length: Math.min(LOOKED_AT, this.candidates.length) },
      (_, index) => this.candidates[(from + index) % this.candidates.length]!,
    )
    const ranked = looked
      .filter(
        ({ meaning, entry: { answer } }) =>
          !right.has(meaning) && (answer.text.trim() !== '') === (entry.answer.text.trim() !== ''),
      )
      .map((candidate) => ({ candidate, likeness: likeness(asked, candidate) + random.next() * 2 }))
      .sort((one, two) => two.likeness - one.likeness)
    const drawn: Face[] = []
    const seen = new Set<string>()
    for (const {
      candidate: {
        entry: { answer },
        meaning,
      },
    } of ranked) {
      if (drawn.length === most) break
      if (seen.has(meaning)) continue
      seen.add(meaning)
      drawn.push(answer)
    }
    return drawn
  }

  private candidateOf(entry: Entry): Candidate {
    const text = entry.answer.text.trim()
    const letters = foldText(text)
    return {
      entry,
      meaning: this.meaningOf(entry.answer),
      prompt: isEmptyFace(entry.prompt) ? entry.id : faceKey(entry.prompt),
      length: text.length,
      words: letters.split(' ').length,
      isNumber: /^[-−]?[\d.,\s]+\S?$/u.test(text),
      isCapital: /^\p{Lu}/u.test(text),
      ending: letters.slice(-2),
    }
  }

  private meaningOf({ text, picture, sound }: Face): string {
    return text.trim() === ''
      ? `${picture?.id ?? ''} ${sound?.id ?? ''}`
      : foldText(numbersInWords(text, this.language), { accents: 'folded' })
  }
}

/** How easily an answer is taken for another; higher is easier. */
function likeness(one: Candidate, two: Candidate): number {
  return (
    (one.entry.groups.some((group) => two.entry.groups.includes(group)) ? 4 : 0) +
    (one.isNumber === two.isNumber ? 3 : 0) +
    (one.isCapital === two.isCapital ? 1 : 0) +
    (one.words === two.words ? 1.5 : 0) +
    (one.ending === two.ending ? 1.5 : 0) -
    Math.min(3, Math.abs(one.length - two.length) / 3)
  )
}
