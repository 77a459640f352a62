import { primary } from './languages.ts'

/** Articles of a language by what they say of the word: its gender and number, as letters; a word may be of several. */
const ARTICLES: Record<string, Record<string, string>> = {
  ca: { el: 'm', la: 'f', els: 'M', les: 'F', un: 'm', una: 'f', uns: 'M', unes: 'F', "l'": 'mf' },
  da: { en: 'c', et: 'n', den: 'c', det: 'n', de: 'P' },
  de: { der: 'm', die: 'fP', das: 'n', ein: 'mn', eine: 'f' },
  el: {
    ο: 'm',
    η: 'f',
    το: 'n',
    οι: 'MF',
    τα: 'N',
    ένας: 'm',
    ενασ: 'm',
    ένασ: 'm',
    μια: 'f',
    μία: 'f',
    ένα: 'n',
    ενα: 'n',
  },
  en: { the: '*', a: '*', an: '*', to: '*' },
  es: { el: 'm', la: 'f', los: 'M', las: 'F', un: 'm', una: 'f', unos: 'M', unas: 'F' },
  fr: {
    le: 'm',
    la: 'f',
    "l'": 'mf',
    les: 'P',
    un: 'm',
    une: 'f',
    du: 'm',
    des: 'P',
    'de la': 'f',
    "de l'": 'mf',
  },
  hu: { a: '*', az: '*', egy: '*' },
  it: {
    il: 'm',
    lo: 'l',
    la: 'f',
    "l'": 'mf',
    i: 'M',
    gli: 'L',
    le: 'F',
    un: 'mo',
    uno: 'l',
    una: 'f',
    "un'": 'f',
    del: 'm',
    dello: 'l',
    della: 'f',
    "dell'": 'mf',
    dei: 'M',
    degli: 'L',
    delle: 'F',
  },
  nb: { en: 'c', ei: 'c', et: 'n', den: 'c', det: 'n' },
  nl: { de: 'c', het: 'n', een: 'cn', "'t": 'n' },
  pt: { o: 'm', a: 'f', os: 'M', as: 'F', um: 'm', uma: 'f', uns: 'M', umas: 'F' },
  ro: { un: 'm', o: 'f' },
  sv: { en: 'c', ett: 'n', den: 'c', det: 'n', de: 'P' },
}
/** Articles that are written to the word. */
const PREFIXES: Record<string, RegExp> = {
  ar: /^(?:ٱل|ال)(?=\p{L}{2})/u,
  he: /^ה(?=\p{L}{2})/u,
}

const PATTERNS = new Map<string, RegExp | undefined>()

function patternOf(code: string): RegExp | undefined {
  if (!PATTERNS.has(code)) {
    const articles = Object.keys(ARTICLES[code] ?? {}).sort((one, other) => other.length - one.length)
    const ends = (article: string): string => (article.endsWith("'") ? article : `${article} `)
    PATTERNS.set(code, articles.length > 0 ? new RegExp(`^(${articles.map(ends).join('|')})(?=\\S)`, 'u') : undefined)
  }
  return PATTERNS.get(code)
}

/** Definite articles that are shortened before a vowel, and as they are then. */
const SHORTENED = /^(?:l'|le|la|lo|il|el)$/u

/** A text in small letters, parted into its article and the rest. */
export interface Articled {
  /** The article; empty where there is none. */
  article: string
  rest: string
}

/** Parts a text in small letters, with apostrophes, into its article and the rest. */
export function articled(text: string, language: string): Articled {
  const code = primary(language)
  const [found] = patternOf(code)?.exec(text) ?? PREFIXES[code]?.exec(text) ?? []
  return found === undefined ? { article: '', rest: text } : { article: found.trim(), rest: text.slice(found.length) }
}

/** Tells whether two articles can stand before the same word; one that is left out can. */
export function articlesAgree(one: string, other: string, language: string): boolean {
  if (one === '' || other === '' || one === other) return true
  const articles = ARTICLES[primary(language)]
  if (!articles) return true
  // “Le” does not stand where it is shortened.
  if (one.endsWith("'") !== other.endsWith("'") && SHORTENED.test(one) && SHORTENED.test(other)) return false
  const [left, right] = [articles[one] ?? '*', articles[other] ?? '*']
  return left === '*' || right === '*' || [...left].some((kind) => right.includes(kind))
}
