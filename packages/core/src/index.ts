export * from './list/face.ts'
export * from './list/entry.ts'
export * from './list/details.ts'
export { upgradedEntry } from './list/upgradedEntry.ts'
export * from './list/faceLetters.ts'
export * from './list/table.ts'
export * from './list/columnNames.ts'
export * from './list/columns.ts'
export * from './list/answerLanguage.ts'
export * from './list/groupLines.ts'
export * from './classes/index.ts'
export * from './results/brief.ts'
export * from './results/itemFigures.ts'
export * from './list/readPaste.ts'
export * from './list/swapSides.ts'
export * from './list/checks/index.ts'
export type { CheckCode, CheckNote, Mend } from './list/checks/check.ts'
export * from './pictures/search.ts'
export * from './random/random.ts'
export * from './text/graphemes.ts'
export * from './text/gridLetters.ts'
export * from './text/cleanText.ts'
export * from './text/foldText.ts'
export * from './text/direction.ts'
export * from './games/contract.ts'
export * from './games/corrections.ts'
export * from './games/clock.ts'
export * from './games/rules.ts'
export * from './games/knowledge.ts'
export * from './games/lookup.ts'
export { CommandRefusal } from './games/command.ts'
export { PLAIN_CONTEXT } from './games/playing.ts'
export { upgradedPlay, upgradedPuzzle } from './games/upgrade.ts'
export * from './games/index.ts'
export * from './games/kinds.ts'
export { countLate, lastOfEach, type LateMove, type LatePlay } from './games/late.ts'
export * from './live/index.ts'
export * from './live/rules.ts'
export * from './live/session.ts'
export * from './live/ranking.ts'
export * from './live/help.ts'
export { teamFor, type OpenTeam } from './live/teams.ts'
export * from './live/tally.ts'
export * from './live/givenNames.ts'
export type { LiveGame, Way } from './live/contract.ts'
export {
  MOST_TEAMS,
  isTeamMove,
  timerLeft,
  turnsShown,
  type TeamMove,
  type TeamState,
  type Timer,
} from './wall/teams.ts'
export type { QuestionMove } from './wall/questions.ts'
export type { QuestionView } from './wall/questionView.ts'
export { Asking, askedList } from './games/asking.ts'
export { revealedFace, shownFace, shownTogether, type ShownFace } from './games/shownFace.ts'
export { readDictionary, type Dictionary } from './text/dictionary.ts'
export { Judge, type JudgedAgainst } from './text/judging/judge.ts'
export * from './text/things.ts'
export * from './text/judging/guessLanguage.ts'
export * from './text/judging/knowledge.ts'
export * from './text/judging/options.ts'
export * from './text/judging/wordFiles.ts'
export type * from './text/judging/verdict.ts'
export { MAX_SIDE } from './grid/letterGrid.ts'
export { typeFor } from './print/type.ts'
export type {
  SheetBlock,
  SheetCards,
  SheetDeck,
  SheetGrid,
  SheetItems,
  SheetPage,
  SheetSquare,
  SheetTokens,
} from './print/sheet.ts'
