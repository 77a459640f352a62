import * as arabic from 'n2words/ar-SA'
import * as czech from 'n2words/cs-CZ'
import * as danish from 'n2words/da-DK'
import * as german from 'n2words/de-DE'
import * as greek from 'n2words/el-GR'
import * as english from 'n2words/en-US'
import * as spanish from 'n2words/es-ES'
import * as persian from 'n2words/fa-IR'
import * as finnish from 'n2words/fi-FI'
import * as french from 'n2words/fr-FR'
import * as hebrew from 'n2words/he-IL'
import * as hindi from 'n2words/hi-IN'
import * as hungarian from 'n2words/hu-HU'
import * as italian from 'n2words/it-IT'
import * as japanese from 'n2words/ja-JP'
import * as korean from 'n2words/ko-KR'
import * as norwegian from 'n2words/nb-NO'
import * as dutch from 'n2words/nl-NL'
import * as polish from 'n2words/pl-PL'
import * as portuguese from 'n2words/pt-PT'
import * as romanian from 'n2words/ro-RO'
import * as russian from 'n2words/ru-RU'
import * as swedish from 'n2words/sv-SE'
import * as thai from 'n2words/th-TH'
import * as turkish from 'n2words/tr-TR'
import * as ukrainian from 'n2words/uk-UA'
import * as vietnamese from 'n2words/vi-VN'
import { primary } from './languages.ts'

interface Speller {
  toCardinal(value: number): string
  toOrdinal?(value: number): string
}

const SPELLERS: Record<string, Speller> = {
  ar: arabic,
  cs: czech,
  da: danish,
  de: german,
  el: greek,
  en: english,
  es: spanish,
  fa: persian,
  fi: finnish,
  fr: french,
  he: hebrew,
  hi: hindi,
  hu: hungarian,
  it: italian,
  ja: japanese,
  ko: korean,
  nb: norwegian,
  nl: dutch,
  pl: polish,
  pt: portuguese,
  ro: romanian,
  ru: russian,
  sv: swedish,
  th: thai,
  tr: turkish,
  uk: ukrainian,
  vi: vietnamese,
  // The everyday signs: n2words has those of bank notes for Chinese.
  zh: { toCardinal: japanese.toCardinal },
}

/** Returns a whole number in words of a language; undefined where it has none here. */
export function spelledNumber(value: number, language: string): string | undefined {
  return SPELLERS[primary(language)]?.toCardinal(value)
}

/** Returns the ordinal of a whole number from 1 in words of a language; undefined where it has none here. */
export function spelledOrdinal(value: number, language: string): string | undefined {
  return SPELLERS[primary(language)]?.toOrdinal?.(value)
}
