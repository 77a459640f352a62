import { inPlain } from './characters.ts'

const DECADE = /^(?:(?:the|in the|los|las|les annees|die|de|os|gli anni|anni|anos|jaren)\s+)?(\d{1,3}0)\s?'?(?:s|er)$/u
const DECADE_NAMED = /^(?:les annees|los anos|anos|gli anni|anni|de jaren|jaren)\s+(\d{1,3}0)$/u
const RANGE = /^(\d{3,4})\s*(?:-|to|until|till|bis|a|au|al|ate|tot|til|till|до|по|עד)\s*(\d{2}|\d{4})$/u

/** Returns the years that a text spans, in one form: a decade, or from one year to another; undefined where it spans none. */
export function spanOf(text: string): string | undefined {
  const plain = inPlain(text).toLowerCase().normalize('NFD').replace(/\p{M}/gu, '').replace(/\.$/u, '').trim()
  const decade = DECADE.exec(plain) ?? DECADE_NAMED.exec(plain)
  if (decade) return `${decade[1]}s`
  const [, from, to] = RANGE.exec(plain) ?? []
  if (from === undefined || to === undefined) return undefined
  const until = to.length === 4 ? to : from.slice(0, -2) + to
  const isYears = Number(until) > Number(from) && Number(until) < 2200
  return isYears ? `${from}-${until}` : undefined
}
