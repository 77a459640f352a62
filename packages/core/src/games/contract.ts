import type { ZodType } from 'zod'
import type { EntryList } from '../list/entry.ts'
import type { SheetPage } from '../print/sheet.ts'
import type { Random } from '../random/random.ts'
import type { TeamState } from '../wall/teams.ts'
import type { GameCommand } from './command.ts'
import type { Knowledge } from './knowledge.ts'
import type { LookedUp, Lookup } from './lookup.ts'
import type { PlayRules } from './rules.ts'
import type { GameSample } from './sample.ts'

/** What a response came to. An opinion has no right answer. */
export type Outcome = 'right' | 'wrong' | 'passed' | 'opinion'

/** Whether an entry was met for the first time, as a second try at the end, or as it came back within the game. */
export type Round = 'first' | 'second' | 'back'

/** What a student gave, in a form in which two can be compared. */
export type GivenDetail =
  | { type: 'nothing' }
  /** A typed text, and the accepted answer that it counted as, or the text as it is compared. */
  | { type: 'typed'; understood: string }
  | { type: 'chosen'; choices: string[] }
  | { type: 'claim'; isTrue: boolean }
  | { type: 'letters'; tried: { letter: string; right: boolean }[] }
  /** The entry whose answer was taken. */
  | { type: 'entry'; entryId: string }

/** The one fact that results are made of: what became of one entry in one play. Who and when, the keeper adds. */
export interface Response {
  entryId: string
  outcome: Outcome
  round: Round
  /** Counts the responses of one entry in one round, from 0. */
  occasion: number
  /** Whether it is part of the score. */
  counts: boolean
  /** What the student gave, in words. */
  given: string
  detail: GivenDetail
  points: number
  /** Hints taken for this entry. */
  hints: number
  /** Time it took on the play's clock, in milliseconds. */
  milliseconds: number
  /** How many entries were met before it in this round. */
  place: number
  /** The team that gave it, from 0; absent where nobody plays in teams. */
  team?: number
}

/** A play's next state, and the responses that the move produced. */
export interface Step<Play> {
  play: Play
  responses: Response[]
}

/** Where a play stands: what its counting responses add up to, and how far it has come. */
export interface Score {
  right: number
  /** Entries that count, met or not. */
  total: number
  /** Of all counting responses, and the bonus. */
  points: number
  /** Points for the play as a whole, such as for a bingo. */
  bonus: number
  hints: number
  /** Tries that came to nothing: lines that are no word, turns that make no pair. */
  misses: number
  finished: boolean
  /** Time that counted until the end, or until the last move so far, in milliseconds. */
  milliseconds: number
}

/** Something a teacher should know about a list and a game, in a form that an interface words. */
export interface FitNote {
  code: string
  /** The entries it is about; empty where it is about the list. */
  entryIds: string[]
  values: Record<string, string | number>
}

/** Whether a list can become a game; what is missing, and what would mend it. */
export interface Fit {
  ready: boolean
  /** The good news in one line, such as how many words in which grid. */
  summary: FitNote
  notes: FitNote[]
}

/** An entry as a play asks it. One without a response was not reached. */
export interface Question {
  entryId: string
  text: string
  /** Whether it counts; an opinion does not. */
  counts: boolean
}

/** What a game is played in, beside the puzzle: fixed when a play begins, but for what is shared. */
export interface PlayContext {
  /** The player's number among all who play, from 1. */
  seat: number
  rules: PlayRules
  /** What all who play together share; null where each plays alone. */
  shared: Shared | null
  knowledge: Knowledge
  /** How many teams play it at one wall; absent where the puzzle says it, or nobody does. */
  teams?: number
}

/** What all who play together share. */
export interface Shared {
  phase: 'waiting' | 'open' | 'over'
  /** How many terms were called for all; null where nobody calls. */
  calls: number | null
  /** Whether all are asked the same at once; absent where each goes on alone. */
  inStep?: boolean
  /** What all are asked now; null before the first question, and while the next one is chosen. */
  standing?: Standing | null
  /** All that was asked of all so far, in that order, with what stands; absent where each goes on alone. */
  asked?: readonly number[]
}

/** The question that all are asked at once. */
export interface Standing {
  /** Its number among those of the puzzle, from 0. */
  place: number
  /** Milliseconds since 1970; pauses have moved it on. */
  openedAt: number
  /** Whether it can be answered. */
  open: boolean
  /** Whether an answer can be changed while it can. */
  change: boolean
}

/** What a play starts from, beside the puzzle. */
export interface Beginning extends PlayContext {
  random: Random
  /** Milliseconds since 1970. */
  now: number
  /** What the same student's last play left for this one; see `Game.memory`. */
  memory?: unknown
}

/**
 * A move's turn: on the play's own clock, which starts at 0 and counts playing time alone; and in milliseconds since
 * 1970.
 */
export interface Turn extends PlayContext {
  clock: number
  now: number
}

/** Who looks at a play: who plays it, the teacher of the class, or the whole class on the wall. */
export type Audience = 'player' | 'teacher' | 'wall'

/** Who looks, and in what the game is played. */
export interface Sight extends PlayContext {
  audience: Audience
}

/** What a play is doing now, in a form that an interface words: a question of so many, words found. */
export interface Doing {
  code: string
  values: Record<string, string | number>
}

/** A change of what is stored of a game, from one version to the next. */
export interface Upgrade {
  puzzle?(stored: unknown): unknown
  /** Gets the upgraded puzzle. */
  play?(stored: unknown, puzzle: unknown): unknown
}

/** A game: how a list becomes a puzzle, and how the puzzle is played. Pure and deterministic. */
export interface Game<Options, Puzzle, Play, Move, View> {
  kind: string
  /** Number of its rules and of the shapes of options, puzzle and play, from 1; a change of one raises it. */
  version: number
  /** Changes of what is stored: the first one leads from version 1 to 2. */
  upgrades: readonly Upgrade[]
  /** Every field has a default; a field that is none of them is refused. */
  options: ZodType<Options>
  /** Parses a move that comes over a wire. */
  moves: ZodType<Move>
  /** Codes of all notes that `fit` and `make` can give: each is worded in every language. */
  notes: readonly string[]
  /** Codes of all that a play can be doing. */
  doings: readonly string[]
  /** Rules of an offer that make a difference to it. */
  heeds: readonly (keyof PlayRules)[]
  /** Languages of the dictionaries that it looks words up in. */
  dictionaries: readonly string[]
  /** How it is made on the command line; absent where there are no flags, and the puzzle is printed as it is. */
  command?: GameCommand<Options, Puzzle>
  sample: GameSample
  /** Cheap enough for every keystroke. */
  fit(list: EntryList, options: Options): Fit
  /**
   * Makes the puzzle, with the answers. May be heavy: runs in a worker. Throws a PuzzleError where no puzzle is
   * possible.
   */
  make(list: EntryList, options: Options, random: Random, known?: LookedUp): Puzzle
  /** Returns what a play asks, in order: the rows of its results. */
  questions(puzzle: Puzzle, play: Play): Question[]
  /** Returns a text that is equal for plays of one puzzle with the same questions; absent where all have the same. */
  questionsKey?(puzzle: Puzzle, play: Play): string
  /** Whether a teacher leads the game for all who play; absent where none ever does. */
  isLed?(options: Options): boolean
  /** Whether it is made of how hard entries have proved; absent where it never is. */
  usesProved?(options: Options): boolean
  /** Returns what has to be looked up before it is made; absent where nothing ever has. */
  lookup?(list: EntryList, options: Options): Lookup
  /** Whether students judge themselves, so that what they say measures no question; absent where the game judges. */
  isSelfJudged?: true
  /** How soon it is tried where a student is to practise, from 1; absent where it never is. */
  practice?: number
  /** Whether it makes sense on paper. */
  onPaper: boolean
  /** Returns the puzzle on paper, or its key; no pages where it makes no sense there. */
  sheet(puzzle: Puzzle, isKey: boolean): SheetPage[]
  start(puzzle: Puzzle, beginning: Beginning): Play
  /** Returns what the student's next play starts from; absent where each play starts anew. */
  memory?(play: Play): unknown
  /** Returns all that a screen may know, and no more. */
  view(puzzle: Puzzle, play: Play, sight: Sight): View
  /**
   * Returns a name of what a move can be made for now: a question, a word, a call. A move made for another has come too
   * late. Absent where a move fits any time.
   */
  moment?(puzzle: Puzzle, play: Play): string
  /**
   * Returns what comes next whatever is answered now, so that a device without a connection goes on; absent where what
   * comes depends on it.
   */
  ahead?(puzzle: Puzzle, play: Play, sight: Sight): Ahead<Move, View>[]
  /** What is over at a time, however long the player is away; absent where nothing is. */
  timed?: Timed<Puzzle, Play, Move>
  /** Applies a move. A move that changes nothing returns the play as it was. */
  move(puzzle: Puzzle, play: Play, move: Move, turn: Turn): Step<Play>
  /**
   * Counts an answer to what had passed, where the game knows what it was for. Returns the very play where that was not
   * left open. Absent where only what was ended with its time can be counted.
   */
  countLate?(puzzle: Puzzle, play: Play, sent: { for: string; move: Move }, turn: Turn): Step<Play>
  /** Ends a play: the host has closed the game, or the player is done. */
  end(puzzle: Puzzle, play: Play, turn: Turn): Step<Play>
  /** Returns where a play stands; with what all share, as far as its player may know that now. */
  score(puzzle: Puzzle, play: Play, shared?: Shared | null): Score
  /** How all who play can be asked the same at once; absent where each can only go on alone. */
  inStep?: InStep<Puzzle, Play>
  doing(puzzle: Puzzle, play: Play): Doing
  /** Returns how the teams stand that play it at one wall; absent where no teams ever do. */
  teams?(play: Play): TeamState
  /** Returns entries without a right answer of which the player may now see what others gave. */
  opinions?(puzzle: Puzzle, play: Play): string[]
}

/** What a player comes to next: by which move, made for what, and what is seen there. Nothing of it tells an answer. */
export interface Ahead<Move, View> {
  by: { for: string; move: Move } | null
  moment: string
  view: View
}

/** A time that something is over at, and what happens then. */
export interface Timed<Puzzle, Play, Move> {
  /** Returns the time on the play's clock at which what stands is over; null for none. */
  deadline(puzzle: Puzzle, play: Play, context: PlayContext): number | null
  /** Milliseconds of it that no screen shows: what a slow connection may take. */
  grace: number
  /** The move that is made when the time has passed, by whoever sees it first. */
  timeUp: Move
}

/** How all who play are asked the same at once. */
export interface InStep<Puzzle, Play> {
  /** Whether who leads can choose on a board what comes next, rather than in the order of the puzzle alone. */
  hasBoard: boolean
  /** Returns what can be asked, with the seconds there are for it; 0 for no limit. */
  questions(puzzle: Puzzle): { entryId: string; seconds: number }[]
  /** Brings a play to what all are asked now. Returns the very play where it is there. */
  follow(puzzle: Puzzle, play: Play, turn: Turn): Step<Play>
}

/** Thrown by `make` where a list can't become the puzzle; `note` says why, as `fit` would. */
export class PuzzleError extends Error {
  readonly note: FitNote

  constructor(note: FitNote) {
    super(note.code)
    this.name = 'PuzzleError'
    this.note = note
  }
}
