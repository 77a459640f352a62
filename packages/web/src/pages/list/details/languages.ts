const LANGUAGE_NAMES: Record<string, string> = {
  '': 'Any language',
  en: 'English',
  es: 'Spanish',
  fr: 'French',
  de: 'German',
  pt: 'Portuguese',
  it: 'Italian',
  nl: 'Dutch',
  he: 'Hebrew',
  ar: 'Arabic',
  zh: 'Chinese',
  ru: 'Russian',
  uk: 'Ukrainian',
  tr: 'Turkish',
  pl: 'Polish',
  sv: 'Swedish',
  el: 'Greek',
  hi: 'Hindi',
  ja: 'Japanese',
  vi: 'Vietnamese',
}

/** Gives what a language is called. */
export function languageName(code: string): string {
  return LANGUAGE_NAMES[code] ?? code
}

/** Gives the languages to choose from, with the one that is chosen among them. */
export function languagesWith(code: string): [string, string][] {
  return Object.entries(code in LANGUAGE_NAMES ? LANGUAGE_NAMES : { ...LANGUAGE_NAMES, [code]: code })
}
