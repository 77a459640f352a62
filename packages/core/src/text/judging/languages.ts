const PRIMARY = new Map<string, string>()

/** Returns the primary code of a BCP 47 language, in small letters; empty where there is none. */
export function primary(language: string): string {
  let code = PRIMARY.get(language)
  if (code === undefined) {
    code = (language.split('-')[0] ?? '').toLowerCase().replace(/^(nn|no)$/u, 'nb')
    if (PRIMARY.size < 1000) PRIMARY.set(language, code)
  }
  return code
}

/** Returns the region of a BCP 47 language, in capitals; empty where it names none. */
export function regionOf(language: string): string {
  return (
    language
      .split('-')
      .slice(1)
      .find((part) => /^[a-z]{2}$/iu.test(part)) ?? ''
  ).toUpperCase()
}

/** Words for “and”, the one that & stands for first. */
const AND: Record<string, readonly string[]> = {
  ca: ['i'],
  cs: ['a'],
  da: ['og'],
  de: ['und'],
  el: ['και', 'κι'],
  en: ['and'],
  es: ['y', 'e'],
  fa: ['و'],
  fi: ['ja'],
  fr: ['et'],
  hi: ['और'],
  hr: ['i'],
  hu: ['és'],
  it: ['e', 'ed'],
  nb: ['og'],
  nl: ['en'],
  pl: ['i', 'oraz'],
  pt: ['e'],
  ro: ['și'],
  ru: ['и'],
  sk: ['a'],
  sv: ['och'],
  tr: ['ve'],
  uk: ['і', 'та', 'й'],
}

/** Returns the words for “and” in a language; none where they are not known. */
export function andsOf(language: string): readonly string[] {
  return AND[primary(language)] ?? []
}

/** Where thousands are set apart by points or spaces, and decimals by a comma. */
const COMMA = new Set(
  'af az be bg ca cs da de el es et eu fi fr gl hr hu hy id is it ka kk lt lv mk nb nl pl pt ro ru sk sl sq sr sv tr uk uz vi'.split(
    ' ',
  ),
)
/** Regions of these languages that write a point before decimals. */
const POINT_REGIONS = new Set(['MX', 'US', 'PR', 'GT', 'HN', 'NI', 'PA', 'SV', 'DO', 'CH', 'LI'])

/** Tells whether a language writes a comma before decimals. */
export function hasDecimalComma(language: string): boolean {
  return COMMA.has(primary(language)) && !POINT_REGIONS.has(regionOf(language))
}
