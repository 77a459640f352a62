import type { ZodType } from 'zod'
import type { EntryList } from '../list/entry.ts'
import type { SheetPage } from '../print/sheet.ts'
import type { Random } from '../random/random.ts'

/** What a response came to. */
export type Outcome = 'right' | 'wrong' | 'passed' | 'unscored'

/** The one fact that results are made of: what became of one entry in one play. Who and when, the keeper adds. */
export interface Response {
  entryId: string
  outcome: Outcome
  /** What the student gave, as text. */
  given: string
  points: number
  /** Time it took, in milliseconds. */
  milliseconds: number
}

/** A play's next state, and the responses that the move produced. */
export interface Step<Play> {
  play: Play
  responses: Response[]
}

/** Where a play stands. */
export interface Score {
  right: number
  total: number
  points: number
  hints: number
  finished: boolean
  /** From the first look to the end, or to the last move so far, in milliseconds. */
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

/** A game: how a list becomes a puzzle, and how the puzzle is played. Pure and deterministic. */
export interface Game<Options, Puzzle, Play, Move, View> {
  kind: string
  /** Every field has a default. */
  options: ZodType<Options>
  /** Parses a move that comes over a wire. */
  moves: ZodType<Move>
  /** Cheap enough for every keystroke. */
  fit(list: EntryList, options: Options): Fit
  /** Makes the puzzle, with the answers. May be heavy: runs in a worker. Throws a PuzzleError where no puzzle is possible. */
  make(list: EntryList, options: Options, random: Random): Puzzle
  /** How many entries the puzzle asks, and which: the rows of its results. */
  asked(puzzle: Puzzle): { entryId: string; text: string }[]
  /** Whether it makes sense on paper. */
  onPaper: boolean
  /** The puzzle on paper, or its key; no pages where it makes no sense there. */
  sheet(puzzle: Puzzle, isKey: boolean): SheetPage[]
  /** Begins a play; `before` is the same student's last one, on which a game may build. */
  start(puzzle: Puzzle, random: Random, at: number, before?: Play): Play
  /** All that a player's screen may know, and no more. */
  view(puzzle: Puzzle, play: Play): View
  /** Applies a move made at a time (milliseconds since 1970). A move that changes nothing gives the play back as it was. */
  move(puzzle: Puzzle, play: Play, move: Move, at: number): Step<Play>
  score(puzzle: Puzzle, play: Play): Score
  /** Entries without a right answer of which the player may now see what others gave. */
  opinions?(puzzle: Puzzle, play: Play): string[]
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
