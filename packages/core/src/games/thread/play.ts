import { z } from 'zod'
import { randomFrom } from '../../random/random.ts'
import { JudgeOptionsInput } from '../../text/judging/options.ts'
import type { TeamCourse, TeamLife } from '../../wall/teamed.ts'
import { credited, nextTurn, turnsShown } from '../../wall/teams.ts'
import type { Sight } from '../contract.ts'
import { Finish, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownTogether, type ShownFace } from '../shownFace.ts'
import { FEWEST_LINKS, MOST_LINKS } from './options.ts'
import type { ThreadPuzzle } from './puzzle.ts'

const JUDGING = JudgeOptionsInput.parse({})
const MOST_ITEMS = MOST_LINKS * MOST_LINKS

/** What can be done: choose slips that belong together, tell their link, or have it told; or stop. */
export const ThreadMove = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('choose'),
    items: z
      .array(
        z
          .number()
          .int()
          .min(0)
          .max(MOST_ITEMS - 1),
      )
      .min(FEWEST_LINKS)
      .max(MOST_LINKS),
  }),
  z.object({ type: z.literal('say'), link: z.string().max(200) }),
  /** At the wall the link is said aloud, and the teacher judges. */
  z.object({ type: z.literal('heard'), right: z.boolean() }),
  z.object({ type: z.literal('tell') }),
  Finish,
])
export type ThreadMove = z.infer<typeof ThreadMove>

/** Points for each slip of a link that is found, and for telling the link. */
const SLIP_POINTS = 3
const LINK_POINTS = 5
/** Names to choose among. */
const CHOICES = 4

/** A link that was found: by whom, after how many choices that were none, and whether it was told. */
interface Found {
  link: number
  team: number
  tries: number
  said: 'right' | 'wrong' | null
}

/** How a play stands. Times are on its own clock. */
export interface ThreadPlay extends TeamLife {
  found: Found[]
  /** Whether the link found last is to be told now. */
  naming: boolean
  /** Choices since a link was found last that were none. */
  tries: number
  misses: number
  /** What was chosen a moment ago and is no link. */
  wrong: number[]
  foundAt: number
}

/** A link as a labelled card. */
export interface ThreadCard {
  /** Null while it is to be told. */
  link: string | null
  items: number[]
  tries: number
  said: 'right' | 'wrong' | null
  team: number
  /** Whether it was found, or told at the end. */
  found: boolean
}

/** All that a screen may know. */
export interface ThreadView {
  slips: { face: ShownFace; isFound: boolean }[]
  cards: ThreadCard[]
  each: number
  links: number
  naming: { choices: string[] | null; isHeard: boolean } | null
  /** The link that is to be told, for the teacher alone. */
  key: string | null
  wrong: number[]
  misses: number
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type ThreadCourse = TeamCourse<ThreadPuzzle, ThreadPlay, ThreadMove>

const start: ThreadCourse['start'] = () => ({
  found: [],
  naming: false,
  tries: 0,
  misses: 0,
  wrong: [],
  foundAt: 0,
})

const move: ThreadCourse['move'] = (puzzle, play, made, turn) => {
  if (made.type === 'choose') return play.naming ? { play } : chosen(puzzle, play, made.items, turn.clock)
  if (!play.naming) return { play }
  const { link } = play.found.at(-1)!
  if (made.type === 'tell') return said(puzzle, play, false)
  // Only a teacher at the wall hears what is said.
  if (made.type === 'heard') return turn.teams === undefined ? { play } : said(puzzle, play, made.right)
  const others = [...puzzle.links, ...puzzle.otherLinks].filter((name) => name !== puzzle.links[link])
  const against = { accepted: [puzzle.links[link]!], others }
  return said(
    puzzle,
    play,
    turn.knowledge.judge.judge(made.link, against, { ...JUDGING, language: puzzle.language }).right,
  )
}

function chosen(
  puzzle: ThreadPuzzle,
  play: ThreadPlay,
  chosenItems: readonly number[],
  clock: number,
): Turned<ThreadPlay> {
  const items = [...new Set(chosenItems)].filter((item) => item < puzzle.items.length)
  const link = puzzle.items[items[0]!]?.link
  if (items.length !== puzzle.each || link === undefined || items.some((item) => isFound(puzzle, play, item)))
    return { play }
  const { teams } = play
  if (items.some((item) => puzzle.items[item]!.link !== link)) {
    const wrong = [...items].sort((one, other) => one - other)
    // The same once more tells nothing new.
    if (JSON.stringify(wrong) === JSON.stringify(play.wrong)) return { play }
    return {
      play: {
        ...play,
        wrong,
        tries: play.tries + 1,
        misses: play.misses + 1,
        teams: { ...teams, turn: nextTurn(teams.turn, teams.points.length) },
      },
    }
  }
  const naming = puzzle.say !== 'off'
  const next: ThreadPlay = {
    ...play,
    found: [...play.found, { link, team: teams.turn, tries: play.tries, said: null }],
    naming,
    tries: 0,
    wrong: [],
    foundAt: clock,
    teams: {
      ...credited(teams, teams.turn, SLIP_POINTS * puzzle.each),
      turn: naming ? teams.turn : nextTurn(teams.turn, teams.points.length),
    },
  }
  return {
    play: next,
    responses: items.map((item, index) =>
      responseOf({
        entryId: puzzle.items[item]!.entryId,
        outcome: 'right',
        given: puzzle.links[link]!,
        points: SLIP_POINTS,
        milliseconds: Math.round((clock - play.foundAt) / puzzle.each),
        place: play.found.length * puzzle.each + index,
        ...(teams.points.length > 1 && { team: teams.turn }),
      }),
    ),
    isOver: !naming && next.found.length === puzzle.links.length,
  }
}

function said(puzzle: ThreadPuzzle, play: ThreadPlay, right: boolean): Turned<ThreadPlay> {
  const found = play.found.map((one, index) =>
    index === play.found.length - 1 ? { ...one, said: right ? ('right' as const) : ('wrong' as const) } : one,
  )
  const { teams } = play
  return {
    play: {
      ...play,
      found,
      naming: false,
      teams: {
        ...credited(teams, teams.turn, right ? LINK_POINTS : 0),
        turn: nextTurn(teams.turn, teams.points.length),
      },
    },
    isOver: found.length === puzzle.links.length,
  }
}

function isFound({ items }: ThreadPuzzle, { found }: ThreadPlay, item: number): boolean {
  return found.some(({ link }) => link === items[item]!.link)
}

/** What was not found has been passed by. */
const finish: ThreadCourse['finish'] = (puzzle, play, { clock }) => {
  const left = [...puzzle.items.keys()].filter((item) => !isFound(puzzle, play, item))
  return {
    play: { ...play, naming: false, wrong: [] },
    responses: left.map((item, index) =>
      responseOf({
        entryId: puzzle.items[item]!.entryId,
        outcome: 'passed',
        milliseconds: Math.round((clock - play.foundAt) / left.length),
        place: puzzle.items.length - left.length + index,
      }),
    ),
  }
}

export function view(puzzle: ThreadPuzzle, play: ThreadPlay, { audience, teams }: Sight): ThreadView {
  const { items, links } = puzzle
  const finished = play.finishedAt !== null
  const faces = items.map(({ face }) => face)
  const shown = finished ? faces.map(revealedFace) : shownTogether(faces)
  const itemsOf = (link: number): number[] => [...items.keys()].filter((item) => items[item]!.link === link)
  const last = play.found.at(-1)?.link
  const cards = play.found.map(({ link, ...rest }): ThreadCard => ({
    ...rest,
    link: play.naming && link === last ? null : links[link]!,
    items: itemsOf(link),
    found: true,
  }))
  const told = finished ? [...links.keys()].filter((link) => !play.found.some((one) => one.link === link)) : []
  return {
    slips: items.map((_, item) => ({ face: shown[item]!, isFound: finished || isFound(puzzle, play, item) })),
    cards: [
      ...cards,
      ...told.map((link): ThreadCard => ({
        link: links[link]!,
        items: itemsOf(link),
        tries: 0,
        said: null,
        team: 0,
        found: false,
      })),
    ],
    each: puzzle.each,
    links: links.length,
    naming: play.naming
      ? { choices: puzzle.say === 'choices' ? choicesOf(puzzle, last!) : null, isHeard: teams !== undefined }
      : null,
    key: play.naming && audience === 'teacher' ? links[last!]! : null,
    wrong: play.wrong,
    misses: play.misses,
    teams: turnsShown(play.teams),
    finished,
  }
}

/** Returns names to choose a link's among, groups that are not on the board first; always in the same order. */
function choicesOf({ links, otherLinks }: ThreadPuzzle, link: number): string[] {
  const random = randomFrom(`choices ${links.join(' ')} ${link}`)
  const others = [...random.shuffled(otherLinks), ...random.shuffled(links.filter((_, place) => place !== link))]
  return random.shuffled([links[link]!, ...others.slice(0, CHOICES - 1)])
}

const score: ThreadCourse['score'] = ({ items, each }, { found, misses }) => {
  const bonus = found.filter(({ said: told }) => told === 'right').length * LINK_POINTS
  return {
    right: found.length * each,
    total: items.length,
    points: found.length * each * SLIP_POINTS + bonus,
    bonus,
    misses,
  }
}

const doing: ThreadCourse['doing'] = ({ links }, { found }) => ({
  code: 'links',
  values: { count: found.length, of: links.length },
})

export const course: ThreadCourse = { teamsIn: ({ teams }) => teams, start, move, finish, score, doing }
