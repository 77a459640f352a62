import type { Outcome } from '../games/contract.ts'

/** What one student first gave to an entry. */
export interface FirstGiven {
  entryId: string
  outcome: Outcome
  given: string
}

/** How a class stands with one question or word. */
export interface Tally {
  right: number
  wrong: number
  passed: number
  /** The answers that were not right, or have no right one, the most frequent first. */
  given: { given: string; count: number }[]
}

/** Most different answers that are told of one question. */
const MOST_GIVEN = 4

/** Returns how a class stands with each entry that somebody met; answers may come in any order. */
export function tallies(answers: Iterable<FirstGiven>): Map<string, Tally> {
  const counts = new Map<string, Tally & { byText: Map<string, number> }>()
  for (const { entryId, outcome, given } of answers) {
    const tally = counts.get(entryId) ?? { right: 0, wrong: 0, passed: 0, given: [], byText: new Map<string, number>() }
    counts.set(entryId, tally)
    if (outcome === 'right') tally.right++
    else if (outcome === 'wrong') tally.wrong++
    else if (outcome === 'passed') tally.passed++
    if (outcome !== 'right' && given !== '') tally.byText.set(given, (tally.byText.get(given) ?? 0) + 1)
  }
  return new Map(
    [...counts].map(([entryId, { byText, ...tally }]) => {
      const given = [...byText].map(([text, count]) => ({ given: text, count }))
      given.sort((one, other) => other.count - one.count || (one.given < other.given ? -1 : 1))
      return [entryId, { ...tally, given: given.slice(0, MOST_GIVEN) }]
    }),
  )
}
