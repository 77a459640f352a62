import { createEmptyCard, fsrs, Rating, type Card } from 'ts-fsrs'
import { z } from 'zod'
import type { Question } from '../contract.ts'
import { Finish, type Course, type PlayLife } from '../playing.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import type { Flashcard, FlashcardsPuzzle } from './puzzle.ts'

/** What a student can do: turn the card, say whether it was known, study cards that are not due yet, or stop. */
export const FlashcardsMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('turn') }),
  z.object({ type: z.literal('rate'), knew: z.boolean() }),
  z.object({ type: z.literal('all') }),
  Finish,
])
export type FlashcardsMove = z.infer<typeof FlashcardsMove>

/**
 * Cards that come before one that was not known comes back; longest time until a card is due, in days: about a term.
 */
const AGAIN_AFTER = 3
const LONGEST_DAYS = 120
const DAY = 86_400_000

/** How well a card is remembered, as FSRS keeps it; times are milliseconds since 1970. */
interface Memory {
  due: number
  stability: number
  difficulty: number
  scheduledDays: number
  learningSteps: number
  reps: number
  lapses: number
  state: number
  lastReview: number | null
}

/** What a student remembers, by entry. */
type Memories = Record<string, Memory>

/** How a play stands. Times are on its own clock, but `seenAt`, which is in milliseconds since 1970. */
export interface FlashcardsPlay extends PlayLife {
  cardAt: number
  /** Numbers of the cards to come, the current one first. */
  queue: number[]
  /** Numbers of the cards that this play asks: those that were due, or all. */
  dealt: number[]
  /** How often a card was turned or rated. */
  acts: number
  seenAt: number
  turned: boolean
  /** Cards seen in this play, and those known at first sight. */
  seen: number[]
  knew: number[]
  /** What is remembered, by entry: it goes on in the student's next play. */
  memories: Memories
}

/** All that a player's screen may know. */
export interface FlashcardsView {
  front: ShownFace | null
  back: ShownFace | null
  hint: string
  fact: string
  turned: boolean
  left: number
  seen: number
  knew: number
  total: number
  /** Days until the next card is due, where none is now. */
  dueInDays: number | null
  finished: boolean
}

/** Without chance, so that the same answers at the same times always give the same days. */
const SCHEDULER = fsrs({ enable_fuzz: false, maximum_interval: LONGEST_DAYS })

type FlashcardsCourse = Course<FlashcardsPuzzle, FlashcardsPlay, FlashcardsMove>

/** Begins with the cards that are due; where a student played before, those remembered well come later. */
const start: FlashcardsCourse['start'] = ({ cards, order }, { random, rules, now, memory: before }) => {
  const memories = (before ?? {}) as Memories
  const due = [...cards.keys()].filter((card) => (memories[cards[card]!.entryId]?.due ?? 0) <= now)
  return {
    cardAt: 0,
    seenAt: now,
    queue: order === 'random' || rules.order === 'mixed' ? random.shuffled(due) : due,
    dealt: due,
    acts: 0,
    turned: false,
    seen: [],
    knew: [],
    memories,
  }
}

export function view({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): FlashcardsView {
  const finished = play.finishedAt !== null
  const card: Flashcard | undefined = finished ? undefined : cards[play.queue[0]!]
  const dues = cards.flatMap(({ entryId }) => play.memories[entryId]?.due ?? [])
  return {
    front: card ? (play.turned ? revealedFace : shownFace)(card.front) : null,
    back: card && play.turned ? revealedFace(card.back) : null,
    hint: card?.hint ?? '',
    fact: card && play.turned ? card.fact : '',
    turned: play.turned,
    left: finished ? 0 : play.queue.length,
    seen: play.seen.length,
    knew: play.knew.length,
    total: play.dealt.length,
    dueInDays:
      (finished || play.queue.length === 0) && dues.length > 0
        ? Math.max(0, Math.round((Math.min(...dues) - play.seenAt) / DAY))
        : null,
    finished,
  }
}

const move: FlashcardsCourse['move'] = ({ cards }, play, made, { clock, now }) => {
  const acted = { ...play, seenAt: now, acts: play.acts + 1 }
  if (made.type === 'all') {
    const all = [...cards.keys()]
    return { play: play.queue.length > 0 ? play : { ...acted, queue: all, dealt: all, cardAt: clock } }
  }
  if (play.queue.length === 0) return { play }
  if (made.type === 'turn') return { play: { ...acted, turned: !play.turned } }
  // Nobody knows what a card says before it was turned.
  if (!play.turned) return { play }
  const card = play.queue[0]!
  const others = play.queue.slice(1)
  const { entryId, back } = cards[card]!
  const first = !play.seen.includes(card)
  const queue = made.knew ? others : [...others.slice(0, AGAIN_AFTER), card, ...others.slice(AGAIN_AFTER)]
  const response = responseOf({
    entryId,
    outcome: made.knew ? 'right' : 'wrong',
    given: made.knew ? back.text.trim() : '',
    milliseconds: clock - play.cardAt,
    place: play.seen.length,
  })
  return {
    play: {
      ...acted,
      queue,
      turned: false,
      cardAt: clock,
      seen: first ? [...play.seen, card] : play.seen,
      knew: first && made.knew ? [...play.knew, card] : play.knew,
      memories: { ...play.memories, [entryId]: reviewed(play.memories[entryId], made.knew, now) },
    },
    responses: first ? [response] : [],
    isOver: queue.length === 0,
  }
}

const finish: FlashcardsCourse['finish'] = (_puzzle, play, { now }) => ({
  play: { ...play, seenAt: now, acts: play.acts + 1 },
})

const score: FlashcardsCourse['score'] = (_puzzle, { knew, dealt }) => ({
  right: knew.length,
  total: dealt.length,
  points: 0,
})

const doing: FlashcardsCourse['doing'] = (_puzzle, { queue, dealt, seen }) => ({
  code: 'cards',
  values: { seen: seen.length, of: dealt.length, left: queue.length },
})

export const course: FlashcardsCourse = { start, move, finish, score, doing }

/** Returns what is remembered after a review (Free Spaced Repetition Scheduler, Ye and others). */
function reviewed(memory: Memory | undefined, knew: boolean, now: number): Memory {
  const card: Card = memory
    ? {
        due: new Date(memory.due),
        stability: memory.stability,
        difficulty: memory.difficulty,
        elapsed_days: 0,
        scheduled_days: memory.scheduledDays,
        learning_steps: memory.learningSteps,
        reps: memory.reps,
        lapses: memory.lapses,
        state: memory.state,
        ...(memory.lastReview === null ? {} : { last_review: new Date(memory.lastReview) }),
      }
    : createEmptyCard(new Date(now))
  const { card: next } = SCHEDULER.next(card, new Date(now), knew ? Rating.Good : Rating.Again)
  return {
    due: next.due.getTime(),
    stability: next.stability,
    difficulty: next.difficulty,
    scheduledDays: next.scheduled_days,
    learningSteps: next.learning_steps,
    reps: next.reps,
    lapses: next.lapses,
    state: next.state,
    lastReview: next.last_review?.getTime() ?? null,
  }
}

/** The cards that were due; all, once a student asks for them. */
export function questionsOf({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): Question[] {
  return [...play.dealt]
    .sort((one, other) => one - other)
    .map((card) => ({ entryId: cards[card]!.entryId, text: cards[card]!.back.text.trim(), counts: true }))
}

export function questionsKey({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): string {
  return play.dealt.length === cards.length ? '' : [...play.dealt].sort((one, other) => one - other).join(' ')
}

/** What the student's next play goes on from. */
export function memory({ memories }: FlashcardsPlay): Memories {
  return memories
}

/** A card may come back: what is made for it is told by how often one was turned or rated. */
export function moment(_puzzle: FlashcardsPuzzle, { acts }: FlashcardsPlay): string {
  return String(acts)
}
