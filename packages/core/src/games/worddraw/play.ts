import { z } from 'zod'
import { hashSeed, randomFrom } from '../../random/random.ts'
import { chancesOf, draw, mostDrawn, NOTHING_DRAWN, type Drawable, type Drawn } from '../../wall/draw.ts'
import type { TeamCourse, TeamLife } from '../../wall/teamed.ts'
import { turnsShown } from '../../wall/teams.ts'
import { Finish } from '../playing.ts'
import { shownFace, shownTogether, type ShownFace } from '../shownFace.ts'
import { MOST_AT_ONCE } from './options.ts'
import type { WorddrawPuzzle } from './puzzle.ts'

/** What can be done: draw so many, or begin anew; or stop. */
export const WorddrawMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('draw'), count: z.number().int().min(1).max(MOST_AT_ONCE) }),
  z.object({ type: z.literal('anew') }),
  Finish,
])
export type WorddrawMove = z.infer<typeof WorddrawMove>

/** How a play stands. */
export interface WorddrawPlay extends TeamLife {
  /** What all draws of this play come from. */
  seed: string
  drawn: Drawn
  /** Words drawn in all, and the places of those that came last, in their order. */
  draws: number
  last: number[]
}

/** All that a screen may know. */
export interface WorddrawView {
  words: {
    face: ShownFace
    count: number
    /** How probable it is to come next, from 0 to 1. */
    chance: number
  }[]
  last: number[]
  draws: number
  /** Words that came most often, where one came twice at least, with their sentences. */
  most: { word: number; sentence: ShownFace }[]
  mostCount: number
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type WorddrawCourse = TeamCourse<WorddrawPuzzle, WorddrawPlay, WorddrawMove>

/** The most words of which it is said that they came most often. */
const MOST_TOLD = 3

function poolOf({ words }: WorddrawPuzzle): Drawable[] {
  return words.map(({ weight }, place) => ({ id: String(place), weight }))
}

const start: WorddrawCourse['start'] = (_puzzle, { random }) => ({
  seed: String(hashSeed(String(random.next()))),
  drawn: NOTHING_DRAWN,
  draws: 0,
  last: [],
})

const move: WorddrawCourse['move'] = (puzzle, play, made) => {
  if (made.type === 'anew')
    return {
      play: play.draws === 0 ? play : { ...play, drawn: NOTHING_DRAWN, draws: 0, last: [], seed: `${play.seed} +` },
    }
  const pool = poolOf(puzzle)
  let { drawn } = play
  const last: number[] = []
  for (let index = 0; index < made.count; index++) {
    const random = randomFrom(`${play.seed} ${play.draws + index}`)
    const came = draw(pool, drawn, { repeats: puzzle.repeats, random })
    drawn = came.drawn
    last.push(Number(came.id))
  }
  return { play: { ...play, drawn, draws: play.draws + made.count, last } }
}

export function view(puzzle: WorddrawPuzzle, play: WorddrawPlay): WorddrawView {
  const pool = poolOf(puzzle)
  const chances = chancesOf(pool, play.drawn, puzzle.repeats)
  const faces = shownTogether(puzzle.words.map(({ face }) => face))
  const { ids, count } = mostDrawn(pool, play.drawn)
  const told = count > 1 ? ids.slice(0, MOST_TOLD) : []
  return {
    words: faces.map((face, place) => ({
      face,
      count: play.drawn.counts[place] ?? 0,
      chance: chances.get(String(place)) ?? 0,
    })),
    last: play.last,
    draws: play.draws,
    most: told.map((id) => ({ word: Number(id), sentence: shownFace(puzzle.words[Number(id)]!.sentence) })),
    mostCount: count,
    teams: turnsShown(play.teams),
    finished: play.finishedAt !== null,
  }
}

/** Nothing is asked: there is nothing to be right about. */
const score: WorddrawCourse['score'] = () => ({ right: 0, total: 0, points: 0 })

export const course: WorddrawCourse = {
  teamsIn: () => 1,
  start,
  move,
  finish: (_puzzle, play) => ({ play }),
  score,
  doing: (_puzzle, { draws }) => ({ code: 'draws', values: { count: draws } }),
}
