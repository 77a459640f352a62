/** What is known of a thing by its name. */
export interface Thing {
  /** Those of the names asked about that it is called too, or that it is a kind of. */
  kinds: readonly string[]
  /** Other things of its kind, the most familiar first; none where nobody asked. */
  beside: readonly string[]
}

/** Things by their names, as `thingName` writes them. */
export type Things = ReadonlyMap<string, Thing>

/** Knows nothing. */
export const NO_THINGS: Things = new Map()

/** Names to look up; with `beside`, also for other things of their kind. */
export interface ThingsWanted {
  names: readonly string[]
  beside: boolean
}

/** Returns an English answer as the name of a thing: in small letters, without its article. */
export function thingName(answer: string): string {
  return answer
    .trim()
    .toLowerCase()
    .replace(/^(?:an?|the)\s+/u, '')
    .replace(/\s+/gu, ' ')
}
