import type { HostChanges, HostState } from '@otter/api'

/** Returns what a host sees after changes: whole rows take the place of those of the same student or question. */
export function changedHost(state: HostState, changes: HostChanges): HostState {
  const gone = new Set(changes.left)
  return {
    ...state,
    facts: changes.facts && changes.facts.revision >= state.facts.revision ? changes.facts : state.facts,
    teams: changes.teams ?? state.teams,
    students: replaced(state.students, changes.students, (student) => student.participantId)
      .filter(({ participantId }) => !gone.has(participantId))
      .sort((one, other) => one.seat - other.seat),
    questions: replaced(state.questions, changes.questions, (question) => question.entryId),
  }
}

/** Returns rows with those that have come in their places; new ones at the end. */
function replaced<Row>(rows: readonly Row[], come: readonly Row[] | undefined, keyOf: (row: Row) => string): Row[] {
  if (!come) return [...rows]
  const byKey = new Map(come.map((row) => [keyOf(row), row]))
  const kept = rows.map((row) => {
    const next = byKey.get(keyOf(row))
    byKey.delete(keyOf(row))
    return next ?? row
  })
  return [...kept, ...byKey.values()]
}
