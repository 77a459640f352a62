/** What came between a student and a piece of work: no word about what is known. */
export interface Trouble {
  /** How long the device was away in all, in milliseconds. */
  gone: number
  /** At which question it was away longest; null where it never was. */
  place: number | null
  /** How often its page was loaded anew. */
  reloads: number
  /** Answers that waited for a connection, and came later; the longest of them waited so long, in milliseconds. */
  waited: number
  longestWait: number
  /** Answers that came too late to count. */
  late: number
}

/** A gap, or a waiting answer, as long as that is worth a word, in milliseconds. */
const WORTH_A_WORD = 30_000
/** Loading anew so often is a sign. */
const MANY_RELOADS = 3

/** Tells whether a score may have suffered from it. */
export function isTroubled({ gone, reloads, waited, longestWait, late }: Trouble): boolean {
  return gone >= WORTH_A_WORD || late > 0 || reloads >= MANY_RELOADS || (waited > 0 && longestWait >= WORTH_A_WORD / 2)
}
