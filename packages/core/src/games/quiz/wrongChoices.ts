import { newEntry, type Entry, type EntryList } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import { faceKey } from '../../list/checks/faceKey.ts'
import type { Random } from '../../random/random.ts'
import { meaningsOf } from '../../text/judging/meanings.ts'
import { NO_THINGS, thingName, type Things } from '../../text/things.ts'
import { candidateOf, givenAway, likeness, reasonFor, type Candidate, type Reason } from './likeness.ts'
import { numbersBeside, thingsBeside } from './madeUp.ts'

/** Most answers looked at for one question: of its own groups, and of all others. */
const LOOKED_AT = 200
/** How much chance has in the order. */
const CHANCE = 2
/** Wrong choices that a question should have: what the list lacks of them comes from elsewhere. */
export const ENOUGH = 3
/** Longest part of a clue that is taken for a meaning, in words. */
const LONGEST_MEANING = 2

/** An answer that is wrong here, and why it was drawn. */
export interface WrongChoice {
  face: Face
  /** The entry whose answer it is; null where it is none of the list's. */
  entryId: string | null
  reason: Reason
}

/** An answer of the list with all that it can mean. */
interface Known extends Candidate {
  meanings: readonly string[]
  /** What its clue means, in one form each. */
  clues: readonly string[]
  prompt: string
}

/** Draws wrong choices for the questions of a list. */
export class WrongChoices {
  private readonly list: EntryList
  private readonly things: Things
  private readonly known: Known[]
  private readonly byId: Map<string, Known>
  private readonly byGroup = new Map<string, Known[]>()
  /** Whether it has too few answers for a choice. */
  private readonly isShort: boolean
  private readonly answersTo = new Map<string, Set<string>>()

  /** @param things what is known of the things that its answers name */
  constructor(list: EntryList, things: Things = NO_THINGS) {
    this.list = list
    this.things = things
    this.known = list.entries
      .filter(({ answer, scored }) => scored && !isEmptyFace(answer))
      .map((entry) => this.knownOf(entry))
    this.isShort = new Set(this.known.map(({ entry }) => entry.answer.text.trim().toLowerCase())).size <= ENOUGH
    this.byId = new Map(this.known.map((one) => [one.entry.id, one]))
    for (const one of this.known) {
      for (const group of one.entry.groups) this.byGroup.set(group, [...(this.byGroup.get(group) ?? []), one])
      const meanings = this.answersTo.get(one.prompt) ?? new Set()
      for (const meaning of one.meanings) meanings.add(meaning)
      this.answersTo.set(one.prompt, meanings)
    }
  }

  /**
   * Returns up to so many answers of other entries that are wrong here: none can be meant by a right one or by the clue,
   * none belongs to an entry whose clue shares a meaning. The likeliest to be mistaken come first, and where it can be,
   * nothing that is seen of the right answer is seen of none of them. Where the list has too few, things of the same kind
   * or numbers near by come last.
   */
  draw(entry: Entry, most: number, random: Random): WrongChoice[] {
    const asked = this.byId.get(entry.id) ?? this.knownOf(entry)
    const isRight = this.alsoRight(asked)
    const ranked = this.lookedAt(asked, random)
      .filter((one) => !isRight(one))
      .map((one) => ({ one, likeness: likeness(asked, one) + random.next() * CHANCE }))
      .sort((first, second) => second.likeness - first.likeness)
      .map(({ one }) => one)
    const drawn: Known[] = []
    const seen = new Set<string>()
    // Of two that mean the same neither could be right: nobody is told so much.
    const isNew = ({ meanings, clues }: Known): boolean => ![...meanings, ...clues].some((meaning) => seen.has(meaning))
    const take = (one: Known): void => {
      drawn.push(one)
      for (const meaning of [...one.meanings, ...one.clues]) seen.add(meaning)
    }
    for (const one of ranked) if (drawn.length < most && isNew(one)) take(one)
    for (const feature of givenAway(
      asked.look,
      drawn.map(({ look }) => look),
    )) {
      const alike = ranked.find((one) => one.look[feature] === asked.look[feature] && isNew(one))
      // The one that is least like it makes room.
      if (alike && drawn.length === most) drawn[most - 1] = alike
    }
    const chosen = drawn.map((one): WrongChoice => ({
      face: one.entry.answer,
      entryId: one.entry.id,
      reason: reasonFor(asked, one),
    }))
    if (chosen.length >= Math.min(most, ENOUGH) && !this.isShort) return chosen
    const added: WrongChoice[] = []
    // Beside a number, a word of a short list tells more than a number that is made up.
    const isAlike = (place: number): boolean => (drawn[place]!.value === undefined) === (asked.value === undefined)
    const alike = chosen.filter((_, place) => isAlike(place))
    for (const { one, reason } of this.madeUp(asked, random))
      if (alike.length + added.length < Math.min(most, ENOUGH) && !isRight(one) && isNew(one)) {
        take(one)
        added.push({ face: one.entry.answer, entryId: null, reason })
      }
    return [...alike, ...added, ...chosen.filter((_, place) => !isAlike(place))].slice(0, most)
  }

  /** Returns what is none of the list's answers, and could be taken for one. */
  private madeUp({ entry }: Known, random: Random): { one: Known; reason: Reason }[] {
    const named = (text: string, reason: Reason): { one: Known; reason: Reason } => ({
      one: this.knownOf(newEntry({ id: '', answer: { text } })),
      reason,
    })
    return [
      ...numbersBeside(entry.answer.text, random).map((text) => named(text, 'number')),
      ...thingsBeside(entry.answer.text, this.things).map((text) => named(text, 'dictionary')),
    ]
  }

  /** Returns some answers of the same groups and some of all others, each as chance has it. */
  private lookedAt(asked: Known, random: Random): Known[] {
    const own = new Set(asked.entry.groups.flatMap((group) => this.byGroup.get(group) ?? []))
    const some = (all: readonly Known[]): Known[] => {
      if (all.length <= LOOKED_AT) return [...all]
      const from = random.below(all.length)
      return Array.from({ length: LOOKED_AT }, (_, index) => all[(from + index) % all.length]!)
    }
    return [...new Set([...some([...own]), ...some(this.known)])]
  }

  /** Returns what tells whether an answer could be taken for right. */
  private alsoRight(asked: Known): (one: Known) => boolean {
    const { entry } = asked
    const meant = (text: string): string[] => meaningsOf(text, this.list.answerLanguage)
    const right = new Set([
      ...asked.meanings,
      ...entry.accepted.flatMap(meant),
      ...entry.choices.filter((choice) => choice.right).flatMap((choice) => this.meaningsOfFace(choice)),
      ...(this.answersTo.get(asked.prompt) ?? []),
      ...meant(entry.prompt.text),
      ...asked.clues,
    ])
    const clues = new Set(asked.clues)
    const isText = entry.answer.text.trim() !== ''
    return (one) =>
      one.entry.id === entry.id ||
      (one.entry.answer.text.trim() !== '') !== isText ||
      one.meanings.some((meaning) => right.has(meaning)) ||
      one.clues.some((clue) => clues.has(clue)) ||
      one.entry.accepted.flatMap(meant).some((meaning) => right.has(meaning)) ||
      (entry.prompt.picture !== undefined && this.areKin(one.entry.answer.text, entry.answer.text))
  }

  /** Tells whether one is a kind of the other, or its other name, as far as that is known. */
  private areKin(one: string, other: string): boolean {
    const [name, otherName] = [thingName(one), thingName(other)]
    return (
      holdsWords(one, other) ||
      this.things.get(name)?.kinds.includes(otherName) === true ||
      this.things.get(otherName)?.kinds.includes(name) === true
    )
  }

  private knownOf(entry: Entry): Known {
    const { prompt } = entry
    const parts = prompt.text.split(/[,;/]/u).map((part) => part.trim())
    const isShort = parts.every((part) => part.split(/\s+/u).length <= LONGEST_MEANING + 1)
    return {
      ...candidateOf(entry, this.list.answerLanguage),
      meanings: this.meaningsOfFace(entry.answer),
      prompt: isEmptyFace(prompt) ? entry.id : faceKey(prompt),
      clues:
        isShort && prompt.text.trim() !== '' ? parts.flatMap((part) => meaningsOf(part, this.list.promptLanguage)) : [],
    }
  }

  private meaningsOfFace({ text, picture, sound }: Face): string[] {
    return text.trim() === '' ? [`${picture?.id ?? ''} ${sound?.id ?? ''}`] : meaningsOf(text, this.list.answerLanguage)
  }
}

/** Tells whether one name holds the words of the other: a sea otter is an otter, and a picture of one is of both. */
function holdsWords(one: string, other: string): boolean {
  const [words, others] = [one, other].map((text) => text.toLowerCase().match(/[\p{L}\p{M}]{3,}/gu) ?? [])
  const holds = (whole: readonly string[], part: readonly string[]): boolean =>
    part.length > 0 && part.every((word) => whole.includes(word))
  return holds(words!, others!) || holds(others!, words!)
}
