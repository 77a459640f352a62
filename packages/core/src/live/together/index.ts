import { z } from 'zod'
import type { LiveGame, Way, WayStep } from '../contract.ts'

/** What a teacher chooses for playing together. */
export const TogetherOptions = z.strictObject({
  /** Seconds for a question that has none of its own; 0 for no limit: then the host closes it. */
  seconds: z.number().int().min(0).max(600).default(30),
  /** Whether the next question comes by the host's key, or by itself after so many seconds. */
  next: z.enum(['key', 'itself']).default('key'),
  after: z.number().int().min(3).max(120).default(10),
  /** Whether an answer can be changed until time is up. */
  change: z.boolean().default(false),
  /** Whether the ranking is shown after each question, not at the end alone. */
  rankingBetween: z.boolean().default(false),
})
export type TogetherOptions = z.infer<typeof TogetherOptions>

/** The question that all are asked, or whose answer all are shown. */
export interface TogetherState {
  place: number
  phase: 'asking' | 'told'
  openedAt: number
  /** When it closes, or when the next one comes; null where a host says so. */
  dueAt: number | null
}

function ask(game: LiveGame, options: TogetherOptions, place: number, now: number): TogetherState {
  const seconds = game.steps[place]!.seconds || options.seconds
  return { place, phase: 'asking', openedAt: now, dueAt: seconds > 0 ? now + seconds * 1000 : null }
}

function next(state: TogetherState, game: LiveGame, options: TogetherOptions, now: number): WayStep<TogetherState> {
  if (state.phase === 'asking') {
    const dueAt = options.next === 'itself' ? now + options.after * 1000 : null
    return { state: { ...state, phase: 'told', dueAt }, isOver: false }
  }
  const place = state.place + 1
  if (place >= game.steps.length) return { state: { ...state, dueAt: null }, isOver: true }
  return { state: ask(game, options, place, now), isOver: false }
}

/** All are asked the same question at once; then what the class knows is shown to all. */
export const together: Way<TogetherOptions, TogetherState> = {
  kind: 'together',
  version: 1,
  options: TogetherOptions,
  inStep: true,
  suits: ({ steps }) => steps.length > 0,
  start: (game, options, now) => ask(game, options, 0, now),
  next,
  pick: (state) => state,
  addTime: (state, milliseconds) =>
    state.dueAt === null || state.phase !== 'asking' ? state : { ...state, dueAt: state.dueAt + milliseconds },
  due: ({ dueAt }) => dueAt,
  shift: (state, milliseconds) => ({
    ...state,
    openedAt: state.openedAt + milliseconds,
    dueAt: state.dueAt === null ? null : state.dueAt + milliseconds,
  }),
  standing: ({ place, phase, openedAt }, { change }) => ({ place, openedAt, open: phase === 'asking', change }),
  asked: ({ place }) => Array.from({ length: place + 1 }, (_, index) => index),
}
