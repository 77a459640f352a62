import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import { gridLetters } from '../../text/gridLetters.ts'
import type { Doing, Sight, Turn } from '../contract.ts'
import { credited, nextTurn } from '../../wall/teams.ts'
import type { TeamCourse, TeamLife } from '../../wall/teamed.ts'
import { Finish, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import { turnsShown } from '../../wall/teams.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import type { Scene } from './options.ts'
import type { HangmanPuzzle, HangmanWord } from './puzzle.ts'

/** What a student can do: ask for a letter, for the hint, for the next word; or stop. */
export const HangmanMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('guess'), letter: z.string().min(1).max(20) }),
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('next') }),
  Finish,
])
export type HangmanMove = z.infer<typeof HangmanMove>

/** Points for a word; one less for each miss, two less for the hint, never below one. */
const POINTS = 10
const HINT_COST = 2
/** What a team gets for each letter it brings, and for the last one. */
const LETTER_POINTS = 1
const WORD_POINTS = 3

/** How a play stands. Times are on its own clock. */
export interface HangmanPlay extends TeamLife {
  wordAt: number
  /** Numbers of the words to come, the current one first; a lost word comes once more at the end. */
  queue: number[]
  /** Letters tried for the current word. */
  tried: string[]
  hinted: boolean
  /** Set once the current word is won or lost. */
  outcome: 'won' | 'lost' | null
  won: number[]
  lost: number[]
  points: number
  hints: number
}

/** All that a player's screen may know. */
export interface HangmanView {
  scene: Scene
  misses: number
  missesMade: number
  /** Characters of the word; null where a letter is still to be found. */
  characters: (string | null)[]
  /** Whether each character had to be found and was not, shown once the word is lost. */
  missed: boolean[]
  alphabet: string[]
  tried: { letter: string; right: boolean }[]
  direction: ReadingDirection
  prompt: ShownFace | null
  hasHint: boolean
  hint: string | null
  outcome: 'won' | 'lost' | null
  fact: string
  /** Which word this is, of how many; and whether it was lost before. */
  number: number
  total: number
  again: boolean
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type HangmanCourse = TeamCourse<HangmanPuzzle, HangmanPlay, HangmanMove>

const start: HangmanCourse['start'] = (puzzle, { random, rules }) => {
  const all = [...puzzle.words.keys()]
  const queue = puzzle.order === 'random' || rules.order === 'mixed' ? random.shuffled(all) : all
  return {
    queue,
    ...freshWord(puzzle, queue[0]!, 0),
    won: [],
    lost: [],
    points: 0,
    hints: 0,
  }
}

export function view(puzzle: HangmanPuzzle, play: HangmanPlay, { rules }: Sight): HangmanView {
  const finished = play.finishedAt !== null
  const word = currentWord(puzzle, play)
  const isOpen = (letter: string | null): boolean => letter === null || play.tried.includes(letter)
  const done = play.won.length + play.lost.length
  const promptShown = puzzle.clue === 'shown' || play.hinted || play.outcome !== null
  return {
    scene: puzzle.scene,
    misses: puzzle.misses,
    missesMade: missesOf(word, play),
    characters: word.characters.map(({ shown, letter }) => (isOpen(letter) || play.outcome !== null ? shown : null)),
    missed: word.characters.map(({ letter }) => play.outcome === 'lost' && !isOpen(letter)),
    alphabet: puzzle.alphabet,
    tried: play.tried.map((letter) => ({
      letter,
      right: word.characters.some((character) => character.letter === letter),
    })),
    direction: puzzle.direction,
    prompt: promptShown ? (play.outcome === null ? shownFace : revealedFace)(word.prompt) : null,
    hasHint: rules.hints && !play.hinted && play.outcome === null && (word.hint !== '' || puzzle.clue === 'hint'),
    hint: play.hinted && word.hint !== '' ? word.hint : null,
    outcome: play.outcome,
    fact: play.outcome === null ? '' : word.fact,
    number: Math.min(puzzle.words.length, done + (play.outcome === null && !isAgain(play) ? 1 : 0)),
    total: puzzle.words.length,
    again: isAgain(play),
    teams: turnsShown(play.teams),
    finished,
  }
}

const move: HangmanCourse['move'] = (puzzle, play, made, turn) => {
  const word = currentWord(puzzle, play)
  if (made.type === 'next') return { play: play.outcome === null ? play : next(puzzle, play, turn.clock) }
  if (play.outcome !== null) return { play }
  if (made.type === 'hint') {
    const there = !play.hinted && (word.hint !== '' || puzzle.clue === 'hint')
    return { play: there ? { ...play, hinted: true, hints: play.hints + 1 } : play }
  }
  const letter = gridLetters(made.letter, puzzle.style)[0]
  if (letter === undefined || play.tried.includes(letter) || !puzzle.alphabet.includes(letter)) return { play }
  const { teams } = play
  const after = { ...play, tried: [...play.tried, letter] }
  const found = word.characters.filter((character) => character.letter === letter).length
  const won = word.characters.every((character) => character.letter === null || after.tried.includes(character.letter))
  const lost = missesOf(word, after) >= puzzle.misses
  const points = found * LETTER_POINTS + (won ? WORD_POINTS : 0)
  after.teams = { ...credited(teams, teams.turn, points), turn: nextTurn(teams.turn, teams.points.length) }
  if (!won && !lost) return { play: after }
  return end(puzzle, { ...after, outcome: won ? 'won' : 'lost' }, turn, teams.turn)
}

const score: HangmanCourse['score'] = ({ words }, play) => ({
  right: play.won.length,
  total: words.length,
  points: play.points,
  hints: play.hints,
})

/** A word of so many, or one that has come back. */
const doing: HangmanCourse['doing'] = ({ words }, play): Doing => {
  if (isAgain(play)) return { code: 'again', values: { left: play.queue.length } }
  const done = play.won.length + play.lost.length
  return {
    code: 'word',
    values: { number: Math.min(words.length, done + (play.outcome === null ? 1 : 0)), of: words.length },
  }
}

function currentWord(puzzle: HangmanPuzzle, play: HangmanPlay): HangmanWord {
  return puzzle.words[play.queue[0]!]!
}

function missesOf(word: HangmanWord, play: HangmanPlay): number {
  return play.tried.filter((letter) => !word.characters.some((character) => character.letter === letter)).length
}

/** Whether the current word was lost before; while its end is shown, it is not yet there again. */
function isAgain(play: HangmanPlay): boolean {
  return play.outcome === null && play.lost.includes(play.queue[0]!)
}

/** Returns a word as it begins, with its free letters. */
function freshWord(
  { words, freeLetters }: HangmanPuzzle,
  index: number,
  wordAt: number,
): Pick<HangmanPlay, 'tried' | 'hinted' | 'outcome' | 'wordAt'> {
  const letters = [...new Set(words[index]!.characters.flatMap(({ letter }) => letter ?? []))]
  return {
    tried: letters.slice(0, Math.min(freeLetters, letters.length - 1)),
    hinted: false,
    outcome: null,
    wordAt,
  }
}

/** Notes how a word ended, by the letter of a team. Only the first time counts; a word that comes back is for learning. */
function end(puzzle: HangmanPuzzle, play: HangmanPlay, { clock, rules }: Turn, team: number): Turned<HangmanPlay> {
  const index = play.queue[0]!
  const word = puzzle.words[index]!
  const won = play.outcome === 'won'
  const tried = play.tried.map((letter) => ({
    letter,
    right: word.characters.some((character) => character.letter === letter),
  }))
  const misses = tried.filter(({ right }) => !right).map(({ letter }) => letter)
  const response = responseOf({
    entryId: word.entryId,
    outcome: won ? 'right' : 'wrong',
    given: won ? word.text : misses.join(' '),
    detail: { type: 'letters', tried },
    hints: play.hinted ? 1 : 0,
    milliseconds: clock - play.wordAt,
    place: play.won.length + play.lost.length,
    ...(play.teams.points.length > 1 && { team }),
  })
  const back = play.lost.indexOf(index)
  if (back >= 0)
    return {
      play,
      responses: [{ ...response, round: 'back', counts: false, place: back }],
      isOver: play.queue.length === 1,
    }
  const points = won ? Math.max(1, POINTS - misses.length - (play.hinted ? HINT_COST : 0)) : 0
  const queue = won || !rules.second ? play.queue : [...play.queue, index]
  return {
    play: {
      ...play,
      queue,
      points: play.points + points,
      ...(won ? { won: [...play.won, index] } : { lost: [...play.lost, index] }),
    },
    responses: [{ ...response, points }],
    isOver: queue.length === 1,
  }
}

function next(puzzle: HangmanPuzzle, play: HangmanPlay, clock: number): HangmanPlay {
  const queue = play.queue.slice(1)
  return { ...play, queue, ...freshWord(puzzle, queue[0]!, clock) }
}

const finish: HangmanCourse['finish'] = (_puzzle, play) => ({ play: { ...play, outcome: play.outcome ?? 'lost' } })

export const course: HangmanCourse = {
  hints: ['hint'],
  teamsIn: ({ teams }) => teams,
  start,
  move,
  finish,
  score,
  doing,
}

/** A word, and whether it is over: its end is shown until the next one is asked for. */
export function moment(_puzzle: HangmanPuzzle, { won, lost, queue, outcome }: HangmanPlay): string {
  return `${won.length + lost.length} ${queue.length} ${outcome === null ? 'open' : 'over'}`
}
