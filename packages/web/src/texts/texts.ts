import i18next from 'i18next'
import { initReactI18next } from 'react-i18next'
import en from './en.json'

/** The languages that students' screens speak, each by its own name. */
export const LANGUAGES = { en: 'English', es: 'Español', fr: 'Français', he: 'עברית' } as const
export type Language = keyof typeof LANGUAGES

const LOADERS: Record<Exclude<Language, 'en'>, () => Promise<{ default: object }>> = {
  es: () => import('./es.json'),
  fr: () => import('./fr.json'),
  he: () => import('./he.json'),
}
const KEPT = 'otter-language'

/** Starts the texts in the language chosen before, or the browser's. */
export async function startTexts(): Promise<void> {
  await i18next.use(initReactI18next).init({ lng: 'en', fallbackLng: 'en', resources: { en: { translation: en } }, interpolation: { escapeValue: false } })
  const wished = localStorage.getItem(KEPT) ?? navigator.languages.map((code) => code.slice(0, 2)).find((code) => code in LANGUAGES) ?? 'en'
  await speak(wished in LANGUAGES ? wished as Language : 'en')
}

/** Changes the language of the screen, and keeps the choice on this device. */
export async function changeLanguage(language: Language): Promise<void> {
  localStorage.setItem(KEPT, language)
  await speak(language)
}

async function speak(language: Language): Promise<void> {
  if (language !== 'en') i18next.addResourceBundle(language, 'translation', (await LOADERS[language]()).default)
  await i18next.changeLanguage(language)
  document.documentElement.lang = language
  document.documentElement.dir = i18next.dir(language)
}
