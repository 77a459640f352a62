import { LANGUAGES, type Language } from '@otter/api'
import i18next, { type BackendModule, type ResourceKey } from 'i18next'
import { createContext, useContext, useMemo } from 'react'
import { initReactI18next, useTranslation } from 'react-i18next'

const KEPT = 'otter-language'

/** Values that stand in a message, by name. */
export type Values = Record<string, string | number>

type PluralForm = 'zero' | 'one' | 'two' | 'few' | 'many' | 'other'
type Stem<Key> = Key extends `${infer Begin}_${PluralForm}` ? Begin : Key
/** The keys of a message file, with dots between groups, and without the endings of plurals. */
export type MessageKey<Messages> = {
  [Key in keyof Messages & string]: Messages[Key] extends string ? Stem<Key> : `${Key}.${MessageKey<Messages[Key]>}`
}[keyof Messages & string]

/** A message file: its name, and, for the compiler, what it holds. */
export interface Texts<Messages> {
  readonly name: string
  readonly messages?: Messages
}

/** Says a message. */
export interface Say<Messages> {
  (key: MessageKey<Messages>, values?: Values): string
  /** Says a message whose key is made from a code. */
  coded(key: string, values?: Values): string
  /** Returns whether there is a message of that key. */
  has(key: string): boolean
}

/** Message files by their path; each is fetched when a screen first needs it, in the one language that is spoken. */
export type TextFiles = Readonly<Record<string, () => Promise<ResourceKey>>>

function backendOf(files: TextFiles): BackendModule {
  const load = async (language: string, name: string): Promise<ResourceKey> => {
    const paths = [
      `./${language}/${name}.json`,
      `../../../api/src/texts/${language}/${name}.json`,
      `../games/${name}/texts/${language}.json`,
    ]
    const file = paths.map((path) => files[path]).find((found) => found !== undefined)
    if (!file) throw new Error(`there are no texts ${name} in ${language}`)
    return file()
  }
  return {
    type: 'backend',
    init: () => undefined,
    read: (language, name, done) => {
      load(language, name).then(
        (messages) => done(null, messages),
        (error: Error) => done(error, null),
      )
    },
  }
}

/** Starts the texts in the language chosen before, or the browser's; the named files are there from the start. */
export async function startTexts(files: TextFiles, names: readonly string[]): Promise<void> {
  const wished = [keptLanguage(), ...navigator.languages.map((code) => code.slice(0, 2))]
  const language = wished.find((code) => code in LANGUAGES) ?? 'en'
  // Before the screens hear of it: what they say then is turned as the language is.
  i18next.on('languageChanged', show)
  await i18next
    .use(backendOf(files))
    .use(initReactI18next)
    .init({
      lng: language,
      fallbackLng: false,
      ns: [...names],
      defaultNS: names[0],
      interpolation: { escape: isolated },
    })
}

function keptLanguage(): string {
  try {
    return localStorage.getItem(KEPT) ?? ''
  } catch {
    // In a frame of another site a browser may let a page keep nothing.
    return ''
  }
}

function keepLanguage(language: Language): void {
  try {
    localStorage.setItem(KEPT, language)
  } catch {
    // Then the choice holds until the page is closed.
  }
}

let isTurned = false

/** Keeps a name from turning the order of a sentence that runs the other way (Unicode UAX 9, isolates). */
function isolated(text: string): string {
  return isTurned && /\p{L}/u.test(text) ? `\u2068${text}\u2069` : text
}

/** Changes the language of the screen, and keeps the choice on this device. */
export async function changeLanguage(language: Language): Promise<void> {
  keepLanguage(language)
  if (language === i18next.language) return
  await i18next.changeLanguage(language)
}

function show(language: string): void {
  document.documentElement.lang = language
  const direction = i18next.dir(language)
  isTurned = direction === 'rtl'
  document.documentElement.dir = direction
}

/** Returns what says the messages of a file; fetches it first, while the screen waits. */
export function useTexts<Messages>({ name }: Texts<Messages>): Say<Messages> {
  const { t, i18n } = useTranslation(name)
  return useMemo(
    () =>
      Object.assign((key: string, values?: Values) => t(key, { ns: name, ...values }), {
        coded: (key: string, values?: Values) => t(key, { ns: name, ...values }),
        has: (key: string) => i18n.exists(key, { ns: name }),
      }),
    [t, i18n, name],
  )
}

/** Returns what says the messages of a file in another language than the screen's; fetches it first. */
export function useTextsIn<Messages>({ name }: Texts<Messages>, language: Language): Say<Messages> {
  const { t, i18n } = useTranslation(name, { lng: language })
  return useMemo(() => {
    const say = (key: string, values?: Values): string => t(key, { ns: name, lng: language, ...values })
    return Object.assign(say, { coded: say, has: (key: string) => i18n.exists(key, { ns: name, lng: language }) })
  }, [t, i18n, name, language])
}

/** Returns whether a language is written from right to left. */
export function isRightToLeft(language: Language): boolean {
  return i18next.dir(language) === 'rtl'
}

/** The language of the screen, and dates, numbers and lists as it writes them. */
export interface Writing {
  language: Language
  date(moment: string | number, options: Intl.DateTimeFormatOptions): string
  list(parts: readonly string[]): string
  /** Returns what a language is called, by its BCP 47 code. */
  nameOf(code: string): string
}

/** The time zone in which moments are shown, by its IANA name; undefined for the browser's. */
export const TimeZone = createContext<string | undefined>(undefined)

/** Returns how things are written in the language of the screen. */
export function useWriting(): Writing {
  const { i18n } = useTranslation()
  const timeZone = useContext(TimeZone)
  const language = i18n.language as Language
  return useMemo(
    () => ({
      language,
      date: (moment, options) => new Intl.DateTimeFormat(language, { timeZone, ...options }).format(new Date(moment)),
      list: (parts) => new Intl.ListFormat(language, { style: 'short', type: 'unit' }).format(parts),
      nameOf: (code) => {
        const name = new Intl.DisplayNames(language, { type: 'language', fallback: 'code' }).of(code) ?? code
        return name.charAt(0).toLocaleUpperCase(language) + name.slice(1)
      },
    }),
    [language, timeZone],
  )
}
