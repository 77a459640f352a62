import type { Response, Step } from './contract.ts'

/** What a response must say; all else has a value that fits most. */
type Known = Pick<Response, 'entryId' | 'outcome' | 'milliseconds' | 'place'> & Partial<Response>

/** Returns a whole response: of the first round, counting unless it is an opinion, with nothing given. */
export function responseOf(known: Known): Response {
  const round = known.round ?? 'first'
  return {
    round,
    occasion: 0,
    counts: round === 'first' && known.outcome !== 'opinion',
    given: '',
    detail: { type: 'nothing' },
    points: 0,
    hints: 0,
    ...known,
  }
}

/** Largest numbers that are stored: a day for one response; more points than any list can give. */
const LONGEST = 24 * 3600_000
const MOST = 1_000_000
/** Longest text that is kept of what was given, in UTF-16 units: that of a face. */
const LONGEST_TEXT = 2000

/** Returns a step whose numbers and texts all fit their columns. */
export function boundedStep<Play>(step: Step<Play>): Step<Play> {
  if (step.responses.length === 0) return step
  return { play: step.play, responses: step.responses.map(bounded) }
}

function bounded(response: Response): Response {
  return {
    ...response,
    given: response.given.slice(0, LONGEST_TEXT),
    milliseconds: whole(response.milliseconds, LONGEST),
    points: whole(response.points, MOST),
    hints: whole(response.hints, MOST),
    place: whole(response.place, MOST),
    occasion: whole(response.occasion, MOST),
  }
}

function whole(number: number, most: number): number {
  return Math.max(0, Math.min(most, Math.round(number) || 0))
}
