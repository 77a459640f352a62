import type { OfferReply } from '@otter/api'

/** Most that is shown. */
const MOST = 6

/** Returns live sessions that are not over, then open work of classes that is still due, the soonest first. */
export function nowOf(offers: readonly OfferReply[], now: number): OfferReply[] {
  const running = offers.filter(({ live, archived }) => live !== null && live !== 'over' && !archived)
  const due = offers
    .filter(({ classId, dueAt, open, live }) => classId !== null && live === null && open && dueAt !== null)
    .filter(({ dueAt }) => Date.parse(dueAt!) > now)
    .sort((one, other) => Date.parse(one.dueAt!) - Date.parse(other.dueAt!))
  return [...running, ...due].slice(0, MOST)
}
