import { z } from 'zod'
import type { LiveGame, Way, WayStep } from '../contract.ts'

/** What a teacher chooses for playing from the board. */
export const BoardOptions = z.strictObject({
  /** Seconds for a question that has none of its own; 0 for no limit: then the host closes it. */
  seconds: z.number().int().min(0).max(600).default(30),
  /** Whether an answer can be changed until time is up. */
  change: z.boolean().default(false),
})
export type BoardOptions = z.infer<typeof BoardOptions>

/** What was asked so far, the last one first open, then told; between two the next one is chosen. */
export interface BoardState {
  phase: 'choosing' | 'asking' | 'told'
  asked: number[]
  openedAt: number
  /** When what stands closes; null where a host says so. */
  dueAt: number | null
}

function pick(state: BoardState, game: LiveGame, options: BoardOptions, place: number, now: number): BoardState {
  if (state.phase !== 'choosing' || place >= game.steps.length || state.asked.includes(place)) return state
  const seconds = game.steps[place]!.seconds || options.seconds
  return {
    phase: 'asking',
    asked: [...state.asked, place],
    openedAt: now,
    dueAt: seconds > 0 ? now + seconds * 1000 : null,
  }
}

function next(state: BoardState, { steps }: LiveGame): WayStep<BoardState> {
  if (state.phase === 'choosing') return { state, isOver: false }
  if (state.phase === 'asking') return { state: { ...state, phase: 'told', dueAt: null }, isOver: false }
  return { state: { ...state, phase: 'choosing' }, isOver: state.asked.length >= steps.length }
}

/** The host opens one question of the board after another, as teams name them; everyone answers it at once. */
export const board: Way<BoardOptions, BoardState> = {
  kind: 'board',
  version: 1,
  options: BoardOptions,
  inStep: true,
  suits: ({ steps, hasBoard }) => hasBoard && steps.length > 0,
  start: (_game, _options, now) => ({ phase: 'choosing', asked: [], openedAt: now, dueAt: null }),
  next,
  pick,
  addTime: (state, milliseconds) => (state.dueAt === null ? state : { ...state, dueAt: state.dueAt + milliseconds }),
  due: ({ dueAt }) => dueAt,
  shift: (state, milliseconds) => ({
    ...state,
    openedAt: state.openedAt + milliseconds,
    dueAt: state.dueAt === null ? null : state.dueAt + milliseconds,
  }),
  standing: ({ phase, asked, openedAt }, { change }) =>
    phase === 'choosing' ? null : { place: asked.at(-1)!, openedAt, open: phase === 'asking', change },
  asked: ({ asked }) => asked,
}
