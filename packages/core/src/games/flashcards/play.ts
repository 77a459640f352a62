import { createEmptyCard, fsrs, Rating, type Card } from 'ts-fsrs'
import { z } from 'zod'
import type { Beginning, Question, Score, Step, When } from '../contract.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import type { Flashcard, FlashcardsPuzzle } from './puzzle.ts'

/** What a student can do: turn the card, say whether it was known, study cards that are not due yet, or stop. */
export const FlashcardsMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('turn') }),
  z.object({ type: z.literal('rate'), knew: z.boolean() }),
  z.object({ type: z.literal('all') }),
  z.object({ type: z.literal('finish') }),
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
export interface FlashcardsPlay {
  lastAt: number
  cardAt: number
  finishedAt: number | null
  /** Numbers of the cards to come, the current one first. */
  queue: number[]
  /** Numbers of the cards that this play asks: those that were due, or all. */
  asked: number[]
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

/** Begins with the cards that are due; where a student played before, those remembered well come later. */
export function start(
  { cards, order }: FlashcardsPuzzle,
  { random, now, memory }: Pick<Beginning, 'random' | 'now' | 'memory'>,
): FlashcardsPlay {
  const memories = (memory ?? {}) as Memories
  const due = [...cards.keys()].filter((card) => (memories[cards[card].entryId]?.due ?? 0) <= now)
  const queue = order === 'random' ? random.shuffled(due) : due
  return {
    lastAt: 0,
    cardAt: 0,
    seenAt: now,
    finishedAt: null,
    queue,
    asked: due,
    acts: 0,
    turned: false,
    seen: [],
    knew: [],
    memories,
  }
}

export function view({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): FlashcardsView {
  const finished = play.finishedAt !== null
  const card: Flashcard | undefined = finished ? undefined : cards[play.queue[0]]
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
    total: play.asked.length,
    dueInDays:
      (finished || play.queue.length === 0) && dues.length > 0
        ? Math.max(0, Math.round((Math.min(...dues) - play.seenAt) / DAY))
        : null,
    finished,
  }
}

export function move(
  puzzle: FlashcardsPuzzle,
  play: FlashcardsPlay,
  asked: FlashcardsMove,
  when: When,
): Step<FlashcardsPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(when.clock, play.lastAt)
  const { cards } = puzzle
  const acted = { ...play, lastAt: now, seenAt: when.now, acts: play.acts + 1 }
  if (asked.type === 'finish') return { play: { ...acted, finishedAt: now }, responses: [] }
  if (asked.type === 'all')
    return {
      play:
        play.queue.length > 0 ? play : { ...acted, queue: [...cards.keys()], asked: [...cards.keys()], cardAt: now },
      responses: [],
    }
  if (play.queue.length === 0) return { play, responses: [] }
  if (asked.type === 'turn') return { play: { ...acted, turned: !play.turned }, responses: [] }
  // Nobody knows what a card says before it was turned.
  if (!play.turned) return { play, responses: [] }
  const [card, ...others] = play.queue
  const { entryId, back } = cards[card]
  const first = !play.seen.includes(card)
  const queue = asked.knew ? others : [...others.slice(0, AGAIN_AFTER), card, ...others.slice(AGAIN_AFTER)]
  return {
    play: {
      ...acted,
      queue,
      turned: false,
      cardAt: now,
      finishedAt: queue.length === 0 ? now : null,
      seen: first ? [...play.seen, card] : play.seen,
      knew: first && asked.knew ? [...play.knew, card] : play.knew,
      memories: { ...play.memories, [entryId]: reviewed(play.memories[entryId], asked.knew, when.now) },
    },
    responses: first
      ? [
          responseOf({
            entryId,
            outcome: asked.knew ? 'right' : 'wrong',
            given: asked.knew ? back.text.trim() : '',
            milliseconds: now - play.cardAt,
            place: play.seen.length,
          }),
        ]
      : [],
  }
}

/** Gives what is remembered after a review (Free Spaced Repetition Scheduler, Ye and others). */
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
export function asked({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): Question[] {
  return [...play.asked]
    .sort((one, other) => one - other)
    .map((card) => ({ entryId: cards[card].entryId, text: cards[card].back.text.trim(), counts: true }))
}

export function askedKey({ cards }: FlashcardsPuzzle, play: FlashcardsPlay): string {
  return play.asked.length === cards.length ? '' : [...play.asked].sort((one, other) => one - other).join(' ')
}

/** What the student's next play goes on from. */
export function memory({ memories }: FlashcardsPlay): Memories {
  return memories
}

/** A card may come back: what is made for it is told by how often one was turned or rated. */
export function moment(_puzzle: FlashcardsPuzzle, { acts }: FlashcardsPlay): string {
  return String(acts)
}

export function score(_puzzle: FlashcardsPuzzle, play: FlashcardsPlay): Score {
  return {
    right: play.knew.length,
    total: play.asked.length,
    points: 0,
    bonus: 0,
    hints: 0,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}
