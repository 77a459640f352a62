import type { OfferReply, ResultsReply } from '@otter/api'
import { difficultyWord, figuresOf, gameOf, isPerhapsMiskeyed, tellingWord, type Mark } from '@otter/core'
import { marksOf } from '../db/queries/results.ts'
import type { TeacherScope } from '../db/scope.ts'
import { takenOutOf } from './corrections.ts'

/** Most students × questions of which figures are worked out at once. */
const MOST = 60_000

/**
 * Returns how the questions of an offer have proved, of those that count; null where students judge themselves, or there
 * are more than can be worked out while somebody waits.
 */
export async function readFigures(
  scope: TeacherScope,
  { id, kind, players }: Pick<OfferReply, 'id' | 'kind' | 'players'>,
  { questions, corrections }: Pick<ResultsReply, 'questions' | 'corrections'>,
): Promise<ResultsReply['figures']> {
  const out = takenOutOf(corrections)
  const counting = questions.filter(({ counts, entryId }) => counts && !out.includes(entryId))
  if (gameOf(kind).isSelfJudged || counting.length === 0 || counting.length * players > MOST) return null
  const placeOf = new Map(counting.map(({ entryId }, place) => [entryId, place]))
  const rows = new Map<string, Mark[]>()
  for (const [person, entryId, right] of await marksOf(scope, id)) {
    const place = placeOf.get(entryId)
    if (place === undefined) continue
    const row = rows.get(person) ?? Array.from({ length: counting.length }, (): Mark => null)
    row[place] = right
    rows.set(person, row)
  }
  const { items, reliability } = figuresOf([...rows.values()], counting.length)
  return {
    reliability,
    questions: items.map((figures, place) => {
      const { entryId, right, given } = counting[place]!
      return {
        entryId,
        difficulty: difficultyWord(figures),
        telling: tellingWord(figures),
        perhapsMiskeyed: isPerhapsMiskeyed(figures, { right, mostGiven: given[0]?.count ?? 0 }),
      }
    }),
  }
}
