import { primary } from './languages.ts'
import { inSmall, unaccented } from './folding.ts'
import { spelledNumber, spelledOrdinal } from './spelledNumbers.ts'

/** Words for parts, and for numbers that are said in more ways than one, by language; in small letters without accents. */
const MORE: Record<string, Record<string, string>> = {
  de: {
    ein: '1',
    eine: '1',
    einhundert: '100',
    hundert: '100',
    tausend: '1000',
    'eine million': '1000000',
    halb: '1/2',
    'ein halb': '1/2',
    zwo: '2',
  },
  en: {
    'a hundred': '100',
    hundred: '100',
    'a thousand': '1000',
    thousand: '1000',
    'a million': '1000000',
    million: '1000000',
    'a billion': '1000000000',
    billion: '1000000000',
    half: '1/2',
    'a half': '1/2',
    'one half': '1/2',
    'a third': '1/3',
    'one third': '1/3',
    'two thirds': '2/3',
    'a quarter': '1/4',
    'one quarter': '1/4',
    'three quarters': '3/4',
    nil: '0',
    nought: '0',
    dozen: '12',
    'a dozen': '12',
  },
  es: {
    un: '1',
    una: '1',
    'un millon': '1000000',
    millon: '1000000',
    medio: '1/2',
    'un medio': '1/2',
    'un tercio': '1/3',
    'un cuarto': '1/4',
    veintiun: '21',
    ...Object.fromEntries(
      'treinta cuarenta cincuenta sesenta setenta ochenta noventa'
        .split(' ')
        .map((tens, index) => [`${tens} y un`, `${index + 3}1`]),
    ),
  },
  fr: {
    une: '1',
    'un million': '1000000',
    million: '1000000',
    demi: '1/2',
    'un demi': '1/2',
    'un tiers': '1/3',
    'un quart': '1/4',
    septante: '70',
    huitante: '80',
    nonante: '90',
  },
  he: {
    אחד: '1',
    אחת: '1',
    שניים: '2',
    שתיים: '2',
    שלושה: '3',
    ארבעה: '4',
    חמישה: '5',
    שישה: '6',
    שבעה: '7',
    שמונה: '8',
    תשעה: '9',
    עשרה: '10',
    שלוש: '3',
    ארבע: '4',
    חמש: '5',
    שש: '6',
    שבע: '7',
    תשע: '9',
    עשר: '10',
  },
  // Things and people are counted in words of the language's own.
  ko: koreanCounts(),
  ar: {
    واحد: '1',
    اثنان: '2',
    ثلاثه: '3',
    اربعه: '4',
    خمسه: '5',
    سته: '6',
    سبعه: '7',
    ثمانيه: '8',
    تسعه: '9',
    عشره: '10',
  },
  pt: {
    uma: '1',
    duas: '2',
    dezesseis: '16',
    dezessete: '17',
    dezenove: '19',
    catorze: '14',
    quatorze: '14',
    milhao: '1000000',
    'um milhao': '1000000',
    meio: '1/2',
  },
  ru: { одна: '1', одно: '1', две: '2' },
}

function koreanCounts(): Record<string, string> {
  const ones = ['', '하나|한', '둘|두', '셋|세', '넷|네', '다섯', '여섯', '일곱', '여덟', '아홉']
  const tens = ['', '열', '스물|스무', '서른', '마흔', '쉰', '예순', '일흔', '여든', '아흔']
  return Object.fromEntries(
    tens
      .flatMap((ten, high) =>
        ones.flatMap((one, low) =>
          // A form for the twenty alone stands before no other number.
          ten
            .split('|')
            .slice(0, low === 0 ? 2 : 1)
            .flatMap((left) => one.split('|').map((right) => [left + right, String(high * 10 + low)])),
        ),
      )
      .filter(([word]) => word !== ''),
  ) as Record<string, string>
}

/** Numbers up to here are known in words one by one; above, thousands and millions. */
const EACH = 1100
const ROUND = [...Array.from({ length: 100 }, (_, index) => index + 1), 200, 250, 300, 400, 500, 600, 700, 800, 900]
const LONGEST = 7

interface NumberWords {
  digits: ReadonlyMap<string, string>
  /** Words that are part of a number. */
  words: ReadonlySet<string>
}

const BY_LANGUAGE = new Map<string, NumberWords>()

function folded(text: string, language: string): string {
  return unaccented(inSmall(text, language), language)
    .replace(/[-\s\u200c]+/gu, ' ')
    .trim()
}

/** Returns a spelled number as it is looked up: in English without “and”. */
function asKey(text: string, language: string): string {
  const plain = folded(text, language)
  return primary(language) === 'en' ? plain.replace(/ and /gu, ' ') : plain
}

function numberWordsOf(language: string): NumberWords {
  const code = primary(language)
  const known = BY_LANGUAGE.get(code)
  if (known) return known
  const digits = new Map<string, string>()
  const add = (value: number): void => {
    const words = spelledNumber(value, code)
    if (words !== undefined && !digits.has(asKey(words, code))) digits.set(asKey(words, code), String(value))
  }
  for (let value = 0; value <= EACH; value++) add(value)
  for (let value = EACH; value < 2100; value++) add(value)
  for (const unit of [1000, 1_000_000, 1_000_000_000]) for (const count of ROUND) add(count * unit)
  if (code === 'en')
    for (let value = 1100; value < 2000; value++) {
      const [century, rest] = [Math.floor(value / 100), value % 100]
      digits.set(
        asKey(
          `${spelledNumber(century, code)!} ${rest === 0 ? 'hundred' : rest < 10 ? `oh ${spelledNumber(rest, code)!}` : spelledNumber(rest, code)!}`,
          code,
        ),
        String(value),
      )
    }
  for (let value = 1; value <= 100; value++) {
    const words = spelledOrdinal(value, code)
    if (words !== undefined && !digits.has(asKey(words, code))) digits.set(asKey(words, code), `${value}th`)
  }
  for (const [words, value] of Object.entries(MORE[code] ?? {})) digits.set(words, value)
  const made = { digits, words: new Set([...digits.keys()].flatMap((key) => key.split(' '))) }
  BY_LANGUAGE.set(code, made)
  return made
}

const TOKEN = /[\p{L}\p{M}]+(?:['-][\p{L}\p{M}]+)*|\d+(?:st|nd|rd|th)\b|[^\p{L}\p{M}]/gu
const MILLIONS = /^(\d+(?:[.,]\d+)?) (million|billion|thousand)s?$/iu
const TIMES: Record<string, bigint> = { thousand: 1000n, million: 1_000_000n, billion: 1_000_000_000n }

/**
 * Returns a text with its numbers in digits where they are in words of its language (BCP 47); an ordinal is a number with
 * “th”.
 */
export function withDigits(text: string, language: string): string {
  const { digits, words } = numberWordsOf(language)
  if (!/\d/u.test(text) && !(text.match(/[\p{L}\p{M}]+/gu) ?? []).some((word) => words.has(asKey(word, language))))
    return text
  const scaled = MILLIONS.exec(text.trim())
  if (scaled && /^\d+$/u.test(scaled[1]!)) return String(BigInt(scaled[1]!) * TIMES[scaled[2]!.toLowerCase()]!)
  const counted =
    primary(language) === 'en' ? text.replace(/\ba (?=hundred|thousand|million|billion)/giu, 'one ') : text
  const ordinals = counted.replace(/(\d+)(?:st|nd|rd|th|º|ª|\.º|\.ª|er|re|ère|e|ème|ième)(?![\p{L}\p{N}])/giu, '$1th')
  const tokens = ordinals.match(TOKEN) ?? []
  let made = ''
  for (let from = 0; from < tokens.length;) {
    if (!/\p{L}/u.test(tokens[from]!) || !words.has(asKey(tokens[from]!, language).split(' ')[0]!)) {
      made += tokens[from++]!
      continue
    }
    let taken = 0
    let value = ''
    for (let to = from + 1; to <= Math.min(tokens.length, from + LONGEST * 2); to++) {
      const found = digits.get(asKey(tokens.slice(from, to).join(''), language))
      if (found !== undefined && /\p{L}/u.test(tokens[to - 1]!)) [taken, value] = [to - from, found]
    }
    if (taken === 0) made += tokens[from++]!
    else {
      made += value
      from += taken
    }
  }
  return made
}

/** Tells whether a word is part of a number in its language: it is never a slip for another. */
export function isNumberWord(word: string, language: string): boolean {
  return numberWordsOf(language).words.has(asKey(word, language))
}
