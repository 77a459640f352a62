/** How far a student has come, as a ranking needs it: of the first round, and points of later ones for effort. */
export interface StudentScore {
  participantId: string
  teamId: string | null
  right: number
  total: number
  points: number
  effort: number
  /** Whether at least one answer came. */
  begun: boolean
}

/** What a ranking goes by. */
export type RankBy = 'points' | 'share'

/** A place in a ranking: those who are equal share one. */
export interface Ranked<Row> {
  row: Row
  place: number
  /** Points, or the share that is right, from 0 to 1. */
  score: number
}

/** Returns the score of a student, as a ranking goes by it. */
export function scoreOf(
  { right, total, points }: Pick<StudentScore, 'right' | 'total' | 'points'>,
  by: RankBy,
): number {
  return by === 'points' ? points : total === 0 ? 0 : right / total
}

/** Returns rows by their score, the highest first; of equals each has the place of the first, in the order given. */
export function ranked<Row>(rows: readonly Row[], score: (row: Row) => number): Ranked<Row>[] {
  const sorted = rows.map((row) => ({ row, score: score(row) })).sort((one, other) => other.score - one.score)
  let place = 0
  return sorted.map((entry, index) => {
    if (index === 0 || entry.score < sorted[index - 1]!.score) place = index + 1
    return { ...entry, place }
  })
}

/** A team's score: the mean of its members who answered at least once, so that its size does not matter. */
export interface TeamScore {
  teamId: string
  score: number
  /** Members who answered at least once, and all. */
  begun: number
  members: number
}

/** Returns the scores of teams, in the order in which they are given. */
export function teamScores(teamIds: readonly string[], students: readonly StudentScore[], by: RankBy): TeamScore[] {
  return teamIds.map((teamId) => {
    const members = students.filter((student) => student.teamId === teamId)
    const begun = members.filter((student) => student.begun)
    const sum = begun.reduce((total, student) => total + scoreOf(student, by), 0)
    return { teamId, score: begun.length === 0 ? 0 : sum / begun.length, begun: begun.length, members: members.length }
  })
}
