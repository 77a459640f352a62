import type { Beginning } from '../games/contract.ts'
import type { Course, PlayLife } from '../games/playing.ts'
import { isTeamMove, startTeams, teamsMoved, type TeamMove, type TeamState } from './teams.ts'

/** What every play has that teams play. */
export interface TeamLife extends PlayLife {
  teams: TeamState
}

/** How one game is played by teams, without what all such games share. */
export type TeamCourse<Puzzle, Play extends TeamLife, Move extends { type: string }> = Omit<
  Course<Puzzle, Play, Move>,
  'start'
> & {
  start(puzzle: Puzzle, beginning: Beginning): Omit<Play, keyof TeamLife>
  /** Returns how many teams take turns where nobody says at the wall; 1 for one alone. */
  teamsIn(puzzle: Puzzle): number
}

/** Returns how a game is played, with what all games of teams share: turns, points by hand, and a timer. */
export function teamed<Puzzle, Play extends TeamLife, Move extends { type: string }>({
  teamsIn,
  ...course
}: TeamCourse<Puzzle, Play, Move>): Course<Puzzle, Play, Move | TeamMove> {
  return {
    ...course,
    start: (puzzle, beginning) =>
      ({
        ...course.start(puzzle, beginning),
        teams: startTeams(beginning.teams ?? teamsIn(puzzle)),
      }) as unknown as Omit<Play, keyof PlayLife>,
    move: (puzzle, play, move, turn) => {
      if (!isTeamMove(move))
        return course.move(puzzle, play, move as unknown as Exclude<Move, { type: 'finish' }>, turn)
      // Where everyone plays on a device of one's own, nobody gives points by hand.
      if (turn.shared?.inStep) return { play }
      const teams = teamsMoved(play.teams, move, turn)
      return { play: teams === play.teams ? play : { ...play, teams } }
    },
  }
}
