import type { Random } from '../random/random.ts'

/** A team to which students come, with how well each of its members did before; null where nothing is known. */
export interface OpenTeam {
  teamId: string
  strengths: readonly (number | null)[]
}

/** How well students do of whom nothing is known: as the middle. */
const UNKNOWN = 0.5

/**
 * Returns the team for a newcomer: one of the smallest, so that sizes never differ by more than one. Where teams are
 * balanced, who did better before than those who are in comes to the weakest of these, who did worse to the strongest;
 * else chance decides. Throws a RangeError where there is no team.
 */
export function teamFor(
  teams: readonly OpenTeam[],
  { isBalanced, strength, random }: { isBalanced: boolean; strength: number | null; random: Random },
): string {
  const fewest = Math.min(...teams.map(({ strengths }) => strengths.length))
  const smallest = random.shuffled(teams.filter(({ strengths }) => strengths.length === fewest))
  if (smallest.length === 0) throw new RangeError('no team to come to')
  const sums = new Map(smallest.map((team) => [team.teamId, sumOf(team.strengths)] as const))
  const all = teams.flatMap(({ strengths }) => strengths)
  const isStronger = (strength ?? UNKNOWN) >= (all.length === 0 ? UNKNOWN : sumOf(all) / all.length)
  const order = (one: OpenTeam, other: OpenTeam): number =>
    (sums.get(one.teamId)! - sums.get(other.teamId)!) * (isStronger ? 1 : -1)
  const [chosen] = isBalanced ? [...smallest].sort(order) : smallest
  return chosen!.teamId
}

function sumOf(strengths: readonly (number | null)[]): number {
  return strengths.reduce<number>((sum, strength) => sum + (strength ?? UNKNOWN), 0)
}
