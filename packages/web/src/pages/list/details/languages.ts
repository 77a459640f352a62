/** Languages that are offered, by their BCP 47 codes; the empty one is any. */
const OFFERED = ['', ...'en es fr de pt it nl he ar zh ru uk tr pl sv el hi ja vi'.split(' ')]

/** Returns the languages to choose from, with the one that is chosen among them. */
export function languagesWith(code: string): string[] {
  return OFFERED.includes(code) ? OFFERED : [...OFFERED, code]
}
