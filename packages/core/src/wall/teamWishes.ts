/** Two who want to be in one team, or are not to be. */
export interface Wish {
  type: 'together' | 'apart'
  ids: readonly [string, string]
}

/** Students who stay together, and the units they can't share a team with, by their places. */
export interface Unit {
  members: readonly string[]
  apart: ReadonlySet<number>
}

/** Returns the students as units of those who want to be together; undefined where two of one unit are to be apart. */
export function unitsOf(ids: readonly string[], wishes: readonly Wish[]): Unit[] | undefined {
  const unitOf = new Map(ids.map((id): [string, string[]] => [id, [id]]))
  for (const { type, ids: pair } of wishes) {
    const [one, other] = [unitOf.get(pair[0]), unitOf.get(pair[1])]
    if (type !== 'together' || !one || !other || one === other) continue
    one.push(...other)
    for (const id of other) unitOf.set(id, one)
  }
  const units = [...new Set(unitOf.values())]
  const apart = units.map(() => new Set<number>())
  for (const { type, ids: pair } of wishes) {
    const [one, other] = pair.map((id) => units.indexOf(unitOf.get(id) ?? []))
    if (type !== 'apart' || one! < 0 || other! < 0) continue
    if (one === other) return undefined
    apart[one!]!.add(other!)
    apart[other!]!.add(one!)
  }
  return units.map((members, index) => ({ members, apart: apart[index]! }))
}

/** Returns the sizes of teams: they differ by one at most, the larger first. */
export function teamSizes(students: number, teams: number): number[] {
  return Array.from({ length: teams }, (_, index) => Math.floor((students + teams - 1 - index) / teams))
}

/**
 * Goes through all ways to put units into teams of given sizes that keep apart who is to be, each once however teams of
 * one size are named, until `visit` returns true. It gets the team of each unit, which changes after it.
 *
 * @returns whether one of the visits did
 */
export function eachSplit(
  units: readonly Unit[],
  sizes: readonly number[],
  visit: (teamOf: readonly number[]) => boolean,
): boolean {
  // The hardest to place come first: the largest, then those with most who are to be elsewhere.
  const order = [...units.keys()].sort(
    (one, other) =>
      units[other]!.members.length - units[one]!.members.length || units[other]!.apart.size - units[one]!.apart.size,
  )
  const room = [...sizes]
  const teamOf = units.map(() => -1)
  const place = (step: number): boolean => {
    if (step === order.length) return visit(teamOf)
    const unit = order[step]!
    const { members, apart } = units[unit]!
    const tried = new Set<number>()
    for (let team = 0; team < room.length; team++) {
      const isEmpty = room[team] === sizes[team]
      if (room[team]! < members.length || (isEmpty && tried.has(sizes[team]!))) continue
      if (isEmpty) tried.add(sizes[team]!)
      if ([...apart].some((other) => teamOf[other] === team)) continue
      teamOf[unit] = team
      room[team]! -= members.length
      if (place(step + 1)) return true
      room[team]! += members.length
      teamOf[unit] = -1
    }
    return false
  }
  return place(0)
}

/** Returns whether teams of these sizes can keep all wishes. Exact. */
function canKeep(ids: readonly string[], teams: number, wishes: readonly Wish[]): boolean {
  const units = unitsOf(ids, wishes)
  return units !== undefined && eachSplit(units, teamSizes(ids.length, teams), () => true)
}

/** Returns wishes that can be kept together, taken in their order, and those that can't. */
export function keptWishes(
  ids: readonly string[],
  teams: number,
  wishes: readonly Wish[],
): { kept: Wish[]; refused: Wish[] } {
  const kept: Wish[] = []
  const refused: Wish[] = []
  for (const wish of wishes) (canKeep(ids, teams, [...kept, wish]) ? kept : refused).push(wish)
  return { kept, refused }
}
