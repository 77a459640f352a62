import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import { gridLetters } from '../../text/graphemes.ts'
import type { Beginning, Score, Step, When } from '../contract.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import type { Scene } from './options.ts'
import type { HangmanPuzzle, HangmanWord } from './puzzle.ts'

/** What a student can do: ask for a letter, for the hint, for the next word; or stop. */
export const HangmanMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('guess'), letter: z.string().min(1).max(20) }),
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('next') }),
  z.object({ type: z.literal('finish') }),
])
export type HangmanMove = z.infer<typeof HangmanMove>

/** Points for a word; one less for each miss, two less for the hint, never below one. */
const POINTS = 10
const HINT_COST = 2
/** What a team gets for each letter it brings, and for the last one. */
const LETTER_POINTS = 1
const WORD_POINTS = 3

/** How a play stands. Times are on its own clock. */
export interface HangmanPlay {
  lastAt: number
  wordAt: number
  finishedAt: number | null
  /** Numbers of the words to come, the current one first; a lost word comes once more at the end. */
  queue: number[]
  asked: string[]
  hinted: boolean
  /** Set once the current word is won or lost. */
  outcome: 'won' | 'lost' | null
  won: number[]
  lost: number[]
  points: number
  hints: number
  turn: number
  teamPoints: number[]
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
  asked: { letter: string; right: boolean }[]
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

export function start(puzzle: HangmanPuzzle, { random }: Pick<Beginning, 'random'>): HangmanPlay {
  const all = [...puzzle.words.keys()]
  const queue = puzzle.order === 'random' ? random.shuffled(all) : all
  return begin(
    puzzle,
    {
      lastAt: 0,
      wordAt: 0,
      finishedAt: null,
      queue,
      asked: [],
      hinted: false,
      outcome: null,
      won: [],
      lost: [],
      points: 0,
      hints: 0,
      turn: 0,
      teamPoints: Array.from({ length: puzzle.teams }, () => 0),
    },
    0,
  )
}

export function view(puzzle: HangmanPuzzle, play: HangmanPlay): HangmanView {
  const finished = play.finishedAt !== null
  const word = currentWord(puzzle, play)
  const isOpen = (letter: string | null): boolean => letter === null || play.asked.includes(letter)
  const done = play.won.length + play.lost.length
  const promptShown = puzzle.clue === 'shown' || play.hinted || play.outcome !== null
  return {
    scene: puzzle.scene,
    misses: puzzle.misses,
    missesMade: missesOf(word, play),
    characters: word.characters.map(({ shown, letter }) => (isOpen(letter) || play.outcome !== null ? shown : null)),
    missed: word.characters.map(({ letter }) => play.outcome === 'lost' && !isOpen(letter)),
    alphabet: puzzle.alphabet,
    asked: play.asked.map((letter) => ({
      letter,
      right: word.characters.some((character) => character.letter === letter),
    })),
    direction: puzzle.direction,
    prompt: promptShown ? (play.outcome === null ? shownFace : revealedFace)(word.prompt) : null,
    hasHint: !play.hinted && play.outcome === null && (word.hint !== '' || puzzle.clue === 'hint'),
    hint: play.hinted && word.hint !== '' ? word.hint : null,
    outcome: play.outcome,
    fact: play.outcome === null ? '' : word.fact,
    number: Math.min(puzzle.words.length, done + (play.outcome === null && !isAgain(play) ? 1 : 0)),
    total: puzzle.words.length,
    again: isAgain(play),
    teams: puzzle.teams > 1 ? play.teamPoints.map((points, index) => ({ points, turn: index === play.turn })) : [],
    finished,
  }
}

export function move(puzzle: HangmanPuzzle, play: HangmanPlay, asked: HangmanMove, { clock }: When): Step<HangmanPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(clock, play.lastAt)
  const word = currentWord(puzzle, play)
  if (asked.type === 'finish') return finish(play, now)
  if (asked.type === 'next') return { play: play.outcome === null ? play : next(puzzle, play, now), responses: [] }
  if (play.outcome !== null) return { play, responses: [] }
  if (asked.type === 'hint') {
    const there = !play.hinted && (word.hint !== '' || puzzle.clue === 'hint')
    return { play: there ? { ...play, hinted: true, hints: play.hints + 1, lastAt: now } : play, responses: [] }
  }
  const letter = gridLetters(asked.letter, puzzle.style)[0]
  if (letter === undefined || play.asked.includes(letter) || !puzzle.alphabet.includes(letter))
    return { play, responses: [] }
  const after = { ...play, asked: [...play.asked, letter], lastAt: now }
  const found = word.characters.filter((character) => character.letter === letter).length
  const won = word.characters.every((character) => character.letter === null || after.asked.includes(character.letter))
  const lost = missesOf(word, after) >= puzzle.misses
  after.teamPoints = play.teamPoints.map(
    (points, team) => points + (team === play.turn ? found * LETTER_POINTS + (won ? WORD_POINTS : 0) : 0),
  )
  after.turn = (play.turn + 1) % puzzle.teams
  if (!won && !lost) return { play: after, responses: [] }
  return end(puzzle, { ...after, outcome: won ? 'won' : 'lost' }, now)
}

export function score(puzzle: HangmanPuzzle, play: HangmanPlay): Score {
  return {
    right: play.won.length,
    total: puzzle.words.length,
    points: play.points,
    bonus: 0,
    hints: play.hints,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}

function currentWord(puzzle: HangmanPuzzle, play: HangmanPlay): HangmanWord {
  return puzzle.words[play.queue[0]]
}

function missesOf(word: HangmanWord, play: HangmanPlay): number {
  return play.asked.filter((letter) => !word.characters.some((character) => character.letter === letter)).length
}

/** Whether the current word was lost before; while its end is shown, it is not yet there again. */
function isAgain(play: HangmanPlay): boolean {
  return play.outcome === null && play.lost.includes(play.queue[0])
}

/** Begins a word, with its free letters. */
function begin(puzzle: HangmanPuzzle, play: HangmanPlay, now: number): HangmanPlay {
  const letters = [...new Set(currentWord(puzzle, play).characters.flatMap(({ letter }) => letter ?? []))]
  return {
    ...play,
    asked: letters.slice(0, Math.min(puzzle.freeLetters, letters.length - 1)),
    hinted: false,
    outcome: null,
    wordAt: now,
    lastAt: now,
  }
}

/** Notes how a word ended. Only the first time counts; a word that comes back is for learning. */
function end(puzzle: HangmanPuzzle, play: HangmanPlay, now: number): Step<HangmanPlay> {
  const [index] = play.queue
  const word = puzzle.words[index]
  const won = play.outcome === 'won'
  const given = won
    ? word.text
    : play.asked.filter((letter) => !word.characters.some((character) => character.letter === letter)).join(' ')
  const tried = play.asked.map((letter) => ({
    letter,
    right: word.characters.some((character) => character.letter === letter),
  }))
  const response = responseOf({
    entryId: word.entryId,
    outcome: won ? 'right' : 'wrong',
    given,
    detail: { type: 'letters', tried },
    hints: play.hinted ? 1 : 0,
    milliseconds: now - play.wordAt,
    place: play.won.length + play.lost.length,
  })
  const back = play.lost.indexOf(index)
  if (back >= 0)
    return {
      play: { ...play, finishedAt: play.queue.length === 1 ? now : null },
      responses: [{ ...response, round: 'back', counts: false, place: back }],
    }
  const points = won ? Math.max(1, POINTS - missesOf(word, play) - (play.hinted ? HINT_COST : 0)) : 0
  const after = {
    ...play,
    points: play.points + points,
    ...(won ? { won: [...play.won, index] } : { lost: [...play.lost, index], queue: [...play.queue, index] }),
  }
  return { play: { ...after, finishedAt: after.queue.length === 1 ? now : null }, responses: [{ ...response, points }] }
}

function next(puzzle: HangmanPuzzle, play: HangmanPlay, now: number): HangmanPlay {
  return begin(puzzle, { ...play, queue: play.queue.slice(1) }, now)
}

function finish(play: HangmanPlay, now: number): Step<HangmanPlay> {
  return { play: { ...play, outcome: play.outcome ?? 'lost', lastAt: now, finishedAt: now }, responses: [] }
}

/** A word, and whether it is over: its end is shown until the next one is asked for. */
export function moment(_puzzle: HangmanPuzzle, { won, lost, queue, outcome }: HangmanPlay): string {
  return `${won.length + lost.length} ${queue.length} ${outcome === null ? 'open' : 'over'}`
}
