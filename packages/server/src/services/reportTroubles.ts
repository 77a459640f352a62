import type { ReportStudent } from '@otter/api'
import { isTroubled } from '@otter/core/results'
import { reportTroubles, type PlayTrouble } from '../db/queries/report.ts'
import type { TeacherScope } from '../db/scope.ts'
import type { GatheredReport } from './gatheredReport.ts'

/** Returns what came between students and their work, of those alone whose score may have suffered. */
export async function troublesOf(
  scope: TeacherScope,
  { plays, works }: Pick<GatheredReport, 'plays' | 'works'>,
): Promise<Map<string, NonNullable<ReportStudent['trouble']>>> {
  const playOf = new Map(plays.map((play) => [play.id, play]))
  const found = await reportTroubles(scope, [...playOf.keys()])
  const byPerson = new Map<string, PlayTrouble[]>()
  for (const trouble of found) {
    const { person } = playOf.get(trouble.playId)!
    byPerson.set(person, [...(byPerson.get(person) ?? []), trouble])
  }
  const told = [...byPerson].map(([person, all]) => {
    const total = all.reduce(addedTrouble)
    const worst = all.reduce((one, other) => (other.gone > one.gone ? other : one))
    const work = works[playOf.get(worst.playId)!.work]!
    const { playId, place } = worst
    return [person, { ...total, place, playId, offerId: work.offerId, isLimited: work.isLimited }] as const
  })
  return new Map(told.filter(([, trouble]) => isTroubled(trouble)))
}

function addedTrouble(one: PlayTrouble, other: PlayTrouble): PlayTrouble {
  return {
    ...one,
    gone: one.gone + other.gone,
    reloads: one.reloads + other.reloads,
    waited: one.waited + other.waited,
    longestWait: Math.max(one.longestWait, other.longestWait),
    late: one.late + other.late,
  }
}
