import type { Language } from '@otter/api'
import i18next from 'i18next'
import enMail from '@otter/api/texts/en/mail.json' with { type: 'json' }
import enProblems from '@otter/api/texts/en/problems.json' with { type: 'json' }
import enSheet from '@otter/api/texts/en/sheet.json' with { type: 'json' }
import esMail from '@otter/api/texts/es/mail.json' with { type: 'json' }
import esSheet from '@otter/api/texts/es/sheet.json' with { type: 'json' }
import frMail from '@otter/api/texts/fr/mail.json' with { type: 'json' }
import frSheet from '@otter/api/texts/fr/sheet.json' with { type: 'json' }
import heMail from '@otter/api/texts/he/mail.json' with { type: 'json' }
import heSheet from '@otter/api/texts/he/sheet.json' with { type: 'json' }

const texts = i18next.createInstance()
await texts.init({
  lng: 'en',
  fallbackLng: false,
  defaultNS: 'sheet',
  interpolation: { escapeValue: false },
  resources: {
    en: { problems: enProblems, sheet: enSheet, mail: enMail },
    es: { sheet: esSheet, mail: esMail },
    fr: { sheet: frSheet, mail: frMail },
    he: { sheet: heSheet, mail: heMail },
  },
})

type Values = Record<string, string | number>
type SheetKey = Exclude<keyof typeof enSheet, 'csv'> | `csv.${keyof (typeof enSheet)['csv']}`

/** Returns the English sentence of a problem. */
export function problemTitle(code: keyof typeof enProblems, values: Values = {}): string {
  return texts.t(code, { ns: 'problems', ...values })
}

/** Returns whether a text names a problem. */
export function isProblemCode(text: string): text is keyof typeof enProblems {
  return text in enProblems
}

/** Returns all words of what is printed in a language, one after the other: a page needs a font for each letter. */
export function sheetWords(language: Language): string {
  const { csv: _, ...words } = texts.getResourceBundle(language, 'sheet') as typeof enSheet
  return Object.values(words).join(' ')
}

/** Returns a word of what is printed or written into files, in a language. */
export function sheetWord(language: Language, key: SheetKey, values: Values = {}): string {
  return texts.t(key, { lng: language, ...values })
}

/** What a mail is about. */
export type MailKind = keyof typeof enMail

/** Returns subject and text of a mail, in a language. */
export function mailWords(language: Language, kind: MailKind, values: Values): { subject: string; text: string } {
  const say = (part: 'subject' | 'text'): string => texts.t(`${kind}.${part}`, { lng: language, ns: 'mail', ...values })
  return { subject: say('subject'), text: say('text') }
}
