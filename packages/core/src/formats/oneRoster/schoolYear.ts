/** Returns a school year as it is named, such as "2026/27", of the year it ends in. */
export function namedYear(endsIn: number): string {
  return `${endsIn - 1}/${String(endsIn % 100).padStart(2, '0')}`
}

/**
 * Returns the year in which a school year ends, by its name ("2026/27", "2026-2027", "2027"); else by a date: school
 * years are taken to begin in August.
 */
export function yearEndOf(name: string, now: Date): number {
  const [, first, second] = /(\d{4})(?:\s*[/–-]\s*(\d{2,4}))?/u.exec(name) ?? []
  if (first === undefined) return now.getUTCFullYear() + (now.getUTCMonth() >= 7 ? 1 : 0)
  return second === undefined ? Number(first) : Number(first) + 1
}
