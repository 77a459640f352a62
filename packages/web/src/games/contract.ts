import type { PlayReply, Split } from '@otter/api'
import type { EntryList } from '@otter/core'
import type { ReactNode } from 'react'
import type { KeyHelp } from './keyHelp.ts'
import type { Values } from '../texts/texts.ts'

/** What a game's screen gets: all a player may know, and how to make a move. It can't tell where the move goes. */
export interface PlayProps<View, Move> {
  view: View
  send: (move: Move) => void
  /** Whether a move is on its way. */
  waiting: boolean
  /** Milliseconds until what stands is over, counted from when this view came; null where it has all the time. */
  left: number | null
  /** What others gave where there is no right answer, the most frequent first. */
  opinions: PlayReply['opinions']
}

/** What a game's own tools beside its options get: the puzzle as it is, and all it was made of. */
export interface WorkbenchProps<Options, Puzzle> {
  puzzle: Puzzle
  list: EntryList
  options: Options
  seed: string
  onChange(options: Options): void
}

/** What a screen gets from which a teacher leads a link's game. */
export interface LeadProps {
  offerId: string
  onClose: () => void
}

/** What a game's own screen for the wall gets. */
export interface GameWallProps<Puzzle> {
  puzzle: Puzzle
  /** What the screen is called. */
  title: string
  onClose: () => void
}

/** What the choice of a game's options gets. */
export interface OptionsProps<Options> {
  options: Options
  /** BCP 47 code of the list's answers; empty where it is not known. */
  language: string
  onChange(options: Options): void
}

/** What a game's screens get where all are asked the same at once. */
export interface InStepProps<View> {
  /** What the wall, or the teacher, may know of what all are asked. */
  view: View
  /** How the class answered; null while it still can. */
  split: Split | null
}

/** What a game's board gets from which the next question is chosen for all. */
export interface InStepBoardProps<View> {
  view: View
  /** Asks it of all: by its number among all questions, from 0. */
  onPick: (place: number) => void
}

/** How a game shows what all are asked at once: on the wall, and to the teacher alone, with the answer. */
interface InStepScreens<View> {
  Wall(props: InStepProps<View>): ReactNode
  Teacher(props: { view: View }): ReactNode
  /** What the next question is chosen from; absent where the game has no board. */
  Board?(props: InStepBoardProps<View>): ReactNode
}

/** What a teacher sees of a game, beside the playing itself. */
export interface TeacherScreens<Options, Puzzle> {
  /** What is chosen for it. */
  Options(props: OptionsProps<Options>): ReactNode
  /** Tools of its own for a puzzle that is there. */
  Workbench?(props: WorkbenchProps<Options, Puzzle>): ReactNode
  /** The screen from which a link is led, where the game is one that is. */
  Lead?(props: LeadProps): ReactNode
  /** The game as a class plays it together; absent where that is its own playing. */
  Wall?(props: GameWallProps<Puzzle>): ReactNode
  /** What is shown where all are asked the same at once; absent where the game is only played alone. */
  inStep?: InStepScreens<unknown>
  /** Keys of its playing, and of its own screen for the wall; absent where they only press what has the frame. */
  keys?: readonly KeyHelp[]
  wallKeys?: readonly KeyHelp[]
  /** A small real puzzle, as a picture. */
  Thumbnail(props: { puzzle: Puzzle }): ReactNode
  /** Whether it fills a wall by itself; absent where it is enlarged as a whole. */
  fillsWall?: boolean
  /** Returns what was made, as a message of the game's. */
  factsOf(puzzle: Puzzle): { code: string; values: Values }
  /** Returns the words that are not in the puzzle for want of room; absent where there always is. */
  missingIn?(puzzle: Puzzle): string[]
  /** Returns a part of the list, and options, that make a puzzle small enough for a thumbnail. */
  small(list: EntryList): { list: EntryList; options: Options }
}
