import type { HostState, HostStudent } from '@otter/api'
import { ranked, scoreOf, type Progress, type Ranked, type RankBy } from '@otter/core'

/** Returns those who play, by their place; who has not begun comes last, without one. */
export function placed({ students, rules }: Pick<HostState, 'students' | 'rules'>): Ranked<HostStudent>[] {
  const by: RankBy = (rules.wayOptions as { rankBy?: RankBy }).rankBy ?? 'points'
  const playing = students.filter(({ removed, waits }) => !removed && !waits)
  return [
    ...ranked(
      playing.filter(({ begun, rounds }) => begun || rounds > 1),
      (student) => scoreOf(student, by),
    ),
    ...playing.filter(({ begun, rounds }) => !begun && rounds <= 1).map((row) => ({ row, place: 0, score: 0 })),
  ]
}

/** Returns of a student what tells who may need help. */
export function progressOf(student: HostStudent): Progress {
  const { participantId, connected, goneAt, moves, met, total, last, joinedAt, lastAt, done } = student
  return { participantId, connected, goneAt, moves, met, total, last, joinedAt, lastAt, done }
}
