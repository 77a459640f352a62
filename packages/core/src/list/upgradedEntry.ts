/** Returns an entry that was kept by an earlier version, with one group and one standard, as today's version has it. */
export function upgradedEntry<Row extends object>(kept: Row): Row {
  if (!('group' in kept) && !('standard' in kept)) return kept
  const { group, standard, ...entry } = kept as Row & { group?: unknown; standard?: unknown }
  const labels = (text: unknown): unknown[] => (typeof text === 'string' && text !== '' ? [text] : [])
  return { groups: labels(group), standards: labels(standard), originId: null, ...entry } as unknown as Row
}
