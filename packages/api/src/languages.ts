/** The languages that every screen speaks, each by its own name. */
export const LANGUAGES = { en: 'English', es: 'Español', fr: 'Français', he: 'עברית' } as const
export type Language = keyof typeof LANGUAGES
export const LANGUAGE_CODES = Object.keys(LANGUAGES) as [Language, ...Language[]]
