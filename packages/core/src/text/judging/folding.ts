import { isPlain } from './characters.ts'
import { primary } from './languages.ts'

/** Letters of their own that look like others with a mark: no accent is left out of them. */
const OWN_LETTERS: Record<string, string> = {
  ast: 'ñ',
  be: 'йў',
  bg: 'й',
  da: 'æøå',
  es: 'ñ',
  et: 'äöüõ',
  eu: 'ñ',
  fi: 'äöå',
  fil: 'ñ',
  fo: 'æøð',
  gl: 'ñ',
  is: 'þæöð',
  kk: 'йңғүұқөһі',
  mk: 'ѓќј',
  mn: 'йөү',
  nb: 'æøå',
  qu: 'ñ',
  ru: 'й',
  sv: 'åäö',
  tt: 'йөүәңһ',
  uk: 'йїґ',
}

/** Tells whether a small letter is one of a language's own alphabet, though it looks like another with a mark. */
export function isOwnLetter(letter: string, language: string): boolean {
  return OWN_LETTERS[primary(language)]?.includes(letter) ?? false
}

const DIGRAPHS: Record<string, Record<string, string>> = {
  de: { ä: 'ae', ö: 'oe', ü: 'ue' },
  nb: { æ: 'ae', ø: 'oe', å: 'aa', ä: 'ae', ö: 'oe' },
  sv: { ä: 'ae', ö: 'oe', å: 'aa', æ: 'ae', ø: 'oe' },
  is: { æ: 'ae' },
}
DIGRAPHS.da = DIGRAPHS.nb!
DIGRAPHS.fi = { å: 'aa' }
const LIGATURES: Record<string, string> = { ß: 'ss', œ: 'oe', æ: 'ae', ĳ: 'ij', ŉ: "'n", ſ: 's' }
const STROKES: Record<string, string> = { ø: 'o', ł: 'l', đ: 'd', ħ: 'h', ŧ: 't', ð: 'd' }

/** Returns a text in small letters, as its language has them: Turkish tells i from ı, Greek has one sigma. */
export function inSmall(text: string, language: string): string {
  const code = primary(language)
  const turkish = code === 'tr' || code === 'az' ? text.replace(/İ/gu, 'i').replace(/I/gu, 'ı') : text
  return turkish
    .toLowerCase()
    .replace(/i\u0307/gu, 'i')
    .replace(/ς/gu, 'σ')
}

/**
 * Returns a text in which letters that can be written in several ways are written in one: ligatures and ß, umlauts as two
 * letters, final forms of Hebrew, alef, ye and kaf of Arabic and Persian, nasals of Hindi, comma and cedilla of Romanian.
 * It is in small letters already.
 */
export function respelled(text: string, language: string): string {
  const code = primary(language)
  if (code !== 'ca' && isPlain(text)) return text
  let plain = text
  const digraphs = DIGRAPHS[code]
  if (digraphs) plain = plain.replace(/[äöüæøå]/gu, (letter) => digraphs[letter] ?? letter)
  plain = plain.replace(/[ßœæĳŉſ]/gu, (letter) => (isOwnLetter(letter, code) ? letter : LIGATURES[letter]!))
  if (/\p{Script=Hebrew}/u.test(plain)) plain = plain.replace(/[ךםןףץ]/gu, (letter) => HEBREW_FINALS[letter]!)
  if (/\p{Script=Arabic}/u.test(plain)) plain = arabic(plain)
  if (/\p{Script=Devanagari}/u.test(plain)) plain = devanagari(plain)
  if (/\p{Script=Cyrillic}/u.test(plain))
    plain = plain
      .normalize('NFD')
      .replace(/[\u0300\u0301]/gu, '')
      .normalize('NFC')
  // Two signs of Thai that look like one.
  plain = plain.replace(/เเ/gu, 'แ')
  if (code === 'ro') plain = plain.replace(/ş/gu, 'ș').replace(/ţ/gu, 'ț')
  // Which accent stands on an Italian e is no matter of spelling to most.
  if (code === 'it') plain = plain.replace(/é/gu, 'è')
  if (code === 'ca') plain = plain.replace(/l[·.•-]l/gu, 'll')
  return plain
}

const HEBREW_FINALS: Record<string, string> = { ך: 'כ', ם: 'מ', ן: 'נ', ף: 'פ', ץ: 'צ' }

function arabic(text: string): string {
  return text
    .normalize('NFC')
    .replace(/\u0640/gu, '')
    .replace(/[أإآٱ]/gu, 'ا')
    .replace(/[ىیۍې]/gu, 'ي')
    .replace(/[کڪ]/gu, 'ك')
    .replace(/[ةۀەہھۂ]/gu, 'ه')
}

function devanagari(text: string): string {
  return text
    .normalize('NFD')
    .replace(/\u093c/gu, '')
    .replace(/\u0901/gu, '\u0902')
    .replace(/[ङञणनम]\u094d(?=[क-ह])/gu, '\u0902')
    .normalize('NFC')
}

/**
 * Returns a text without the accents that a keyboard may lack, in small letters: é is e, ё is е. Letters of the language's
 * own stay, and so do the marks of scripts in which they are letters: vowel signs, tones, voiced kana.
 */
export function unaccented(text: string, language: string): string {
  if (isPlain(text)) return text
  const own = OWN_LETTERS[primary(language)] ?? ''
  return text
    .normalize('NFC')
    .replace(MARKED, (sign) => (own.includes(sign) ? sign : baseOf(sign)))
    .replace(LOOSE_MARKS, '')
}

/** Letters that may have an accent, and accents that stand behind such a letter. */
const MARKED = /(?![!-~])[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}]/gu
const LOOSE_MARKS = /(?<=[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}])\p{M}+/gu
const BASES = new Map<string, string>()

function baseOf(letter: string): string {
  let base = BASES.get(letter)
  if (base === undefined) {
    const bare = letter.normalize('NFD').replace(/\p{M}+/gu, '')
    BASES.set(letter, (base = STROKES[bare] ?? bare))
  }
  return base
}

/** Points of Hebrew and Arabic, which may be left out. */
const POINTS = /[\u0591-\u05bd\u05bf\u05c1\u05c2\u05c4\u05c5\u05c7\u0610-\u061a\u064b-\u065f\u0670\u06d6-\u06ed]/u

/** Returns a text without the points of Hebrew and Arabic. */
export function unpointed(text: string): string {
  return POINTS.test(text) ? [...text].filter((sign) => !POINTS.test(sign)).join('') : text
}

/** Tells whether two texts that are equal without points have no letter with other points: they may be left out alone. */
export function pointsAgree(one: string, other: string): boolean {
  if (!POINTS.test(one) || !POINTS.test(other)) return true
  const [left, right] = [pointed(one), pointed(other)]
  return left.every(({ points }, place) => {
    const others = right[place]?.points ?? ''
    return points === '' || others === '' || points === others
  })
}

function pointed(text: string): { letter: string; points: string }[] {
  const letters: { letter: string; points: string }[] = []
  for (const sign of text.normalize('NFD'))
    if (!POINTS.test(sign)) letters.push({ letter: sign, points: '' })
    else if (letters.length > 0) letters.at(-1)!.points = [...letters.at(-1)!.points, sign].sort().join('')
  return letters
}
