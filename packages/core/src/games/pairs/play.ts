import { z } from 'zod'
import { credited, nextTurn, turnsShown } from '../../wall/teams.ts'
import type { TeamCourse, TeamLife } from '../../wall/teamed.ts'
import { Finish } from '../playing.ts'
import { responseOf } from '../response.ts'
import { belongTogether } from '../partners.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import { faceOf, type PairsPuzzle } from './puzzle.ts'

/** What a student can do: turn a card, or stop. */
export const PairsMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('turn'), card: z.number().int().min(0).max(99) }),
  Finish,
])
export type PairsMove = z.infer<typeof PairsMove>

const POINTS = 10

/** How a play stands. Times are on its own clock. */
export interface PairsPlay extends TeamLife {
  lastFoundAt: number
  /** Cards face up that are not yet part of a pair: none, one, or two that don't belong together. */
  up: number[]
  /** Found pairs of cards, in the order found, and the team that found each. */
  found: { cards: [number, number]; team: number }[]
  turns: number
}

/** All that a player's screen may know. */
export interface PairsView {
  cards: { face: ShownFace | null; state: 'down' | 'up' | 'found' }[]
  /** Numbers of the cards to look at: those face up, or the pair just found. */
  shown: number[]
  /** What became of the last turn. */
  last: 'none' | 'pair' | 'other'
  turns: number
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type PairsCourse = TeamCourse<PairsPuzzle, PairsPlay, PairsMove>

const start: PairsCourse['start'] = () => ({ lastFoundAt: 0, up: [], found: [], turns: 0 })

export function view(puzzle: PairsPuzzle, play: PairsPlay): PairsView {
  const finished = play.finishedAt !== null
  const found = new Set(play.found.flatMap(({ cards }) => cards))
  return {
    cards: puzzle.cards.map((card, index) => {
      const state = found.has(index) ? 'found' : play.up.includes(index) || finished ? 'up' : 'down'
      return {
        state,
        face: state === 'down' ? null : (state === 'found' ? revealedFace : shownFace)(faceOf(puzzle, card)),
      }
    }),
    shown: play.up.length > 0 || finished ? play.up : (play.found.at(-1)?.cards ?? []),
    last: play.up.length === 2 ? 'other' : play.up.length === 0 && play.found.length > 0 ? 'pair' : 'none',
    turns: play.turns,
    teams: turnsShown(play.teams),
    finished,
  }
}

const move: PairsCourse['move'] = (puzzle, play, { card }, { clock }) => {
  const { turn: team, points } = play.teams
  const up = play.up.length === 2 ? [] : play.up
  if (card >= puzzle.cards.length || up.includes(card) || play.found.some(({ cards }) => cards.includes(card)))
    return { play }
  if (up.length === 0) return { play: { ...play, up: [card] } }
  const turns = play.turns + 1
  const couple = coupleOf(puzzle, up[0]!, card)
  if (couple === undefined)
    return {
      play: { ...play, up: [up[0]!, card], turns, teams: { ...play.teams, turn: nextTurn(team, points.length) } },
    }
  const found = [...play.found, { cards: [up[0], card] as [number, number], team }]
  const { entryId, answer } = puzzle.couples[couple]!
  return {
    play: { ...play, up: [], found, turns, lastFoundAt: clock, teams: credited(play.teams, team, 1) },
    responses: [
      responseOf({
        entryId,
        outcome: 'right',
        given: answer.text.trim(),
        detail: { type: 'entry', entryId },
        points: POINTS,
        milliseconds: clock - play.lastFoundAt,
        place: play.found.length,
        ...(points.length > 1 && { team }),
      }),
    ],
    isOver: found.length === puzzle.couples.length,
  }
}

const finish: PairsCourse['finish'] = (_puzzle, play) => ({ play: { ...play, up: [] } })

const score: PairsCourse['score'] = ({ couples }, { found, turns }) => ({
  right: found.length,
  total: couples.length,
  points: found.length * POINTS,
  misses: turns - found.length,
})

const doing: PairsCourse['doing'] = ({ couples }, { found, turns }) => ({
  code: 'pairs',
  values: { found: found.length, of: couples.length, turns },
})

export const course: PairsCourse = { teamsIn: ({ players }) => players, start, move, finish, score, doing }

/**
 * Returns the couple that two cards make up: their own, or one whose faces look like theirs; undefined where they don't
 * belong together.
 */
function coupleOf({ couples, cards }: PairsPuzzle, one: number, two: number): number | undefined {
  const [prompt, answer] = cards[one]!.side === 'prompt' ? [cards[one], cards[two]] : [cards[two], cards[one]]
  if (prompt!.side === answer!.side) return undefined
  return belongTogether(couples, couples[prompt!.couple]!.prompt, couples[answer!.couple]!.answer)
    ? answer!.couple
    : undefined
}
