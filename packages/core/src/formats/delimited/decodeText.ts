/** Part of the Encoding Standard (WHATWG), which browsers and servers share. */
declare class TextDecoder {
  constructor(label: string, options?: { fatal?: boolean })
  decode(bytes: Uint8Array): string
}

/** Encodings that text can be read in, by their names in the Encoding Standard. */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1255',
  'windows-1251',
  'windows-1256',
  'shift_jis',
  'gb18030',
] as const
export type Encoding = (typeof ENCODINGS)[number]

/** Returns text in the encoding named. */
export function decodeText(bytes: Uint8Array, encoding: Encoding): string {
  return new TextDecoder(encoding).decode(bytes)
}

/** Bytes that are looked at to find an encoding. */
const SAMPLE = 20_000

/**
 * Returns the encoding that text is most likely in: UTF-8 and UTF-16 by their marks and their form, Chinese and Japanese
 * by the pairs of bytes that are frequent in them, Hebrew, Cyrillic and Arabic by their letters; else Windows-1252.
 */
export function guessEncoding(bytes: Uint8Array): Encoding {
  const [first, second, third] = bytes
  if (first === 0xef && second === 0xbb && third === 0xbf) return 'utf-8'
  if (first === 0xff && second === 0xfe) return 'utf-16le'
  if (first === 0xfe && second === 0xff) return 'utf-16be'
  const zeros = [0, 0]
  const sample = Math.min(bytes.length, 2000)
  for (let index = 0; index < sample; index++) if (bytes[index] === 0) zeros[index % 2]!++
  // Every other byte of Latin text in UTF-16 is zero.
  if (zeros[1]! > sample / 8 && zeros[0]! < zeros[1]! / 4) return 'utf-16le'
  if (zeros[0]! > sample / 8 && zeros[1]! < zeros[0]! / 4) return 'utf-16be'
  if (isValid(bytes, 'utf-8')) return 'utf-8'
  const part = wholeLines(bytes)
  return pairedEncoding(part) ?? letteredEncoding(part) ?? 'windows-1252'
}

function isValid(bytes: Uint8Array, encoding: Encoding): boolean {
  try {
    new TextDecoder(encoding, { fatal: true }).decode(bytes)
    return true
  } catch {
    return false
  }
}

/** Returns the beginning of a text, up to the end of a line: a letter of two bytes must not be cut. */
function wholeLines(bytes: Uint8Array): Uint8Array {
  if (bytes.length <= SAMPLE) return bytes
  const end = bytes.lastIndexOf(10, SAMPLE)
  return bytes.subarray(0, end < 0 ? SAMPLE : end)
}

/** Share of letters beyond ASCII that must be frequent ones for Chinese or Japanese to be believed. */
const MOST = 0.8

/** Returns the encoding of two bytes a letter that a text is in, where it is in one. */
function pairedEncoding(bytes: Uint8Array): Encoding | undefined {
  if (isValid(bytes, 'gb18030')) {
    let [pairs, frequent] = [0, 0]
    for (let place = 0; place < bytes.length; place++) {
      const lead = bytes[place]!
      if (lead < 0x80) continue
      pairs++
      // Punctuation, and the rows of GB 2312 with the letters in use, by their sounds.
      if ((lead >= 0xb0 && lead <= 0xd7) || (lead >= 0xa1 && lead <= 0xa3)) frequent++
      place++
    }
    if (pairs > 0 && frequent / pairs >= MOST) return 'gb18030'
  }
  if (isValid(bytes, 'shift_jis')) {
    const text = decodeText(bytes, 'shift_jis').replace(/[\u0000-\u007f]/gu, '')
    const japanese = text.match(/[\u3000-\u30ff\u4e00-\u9fff\uff01-\uff5e]/gu)?.length ?? 0
    if (text !== '' && japanese / [...text].length >= MOST) return 'shift_jis'
  }
  return undefined
}

/** Alphabets of one byte a letter, their letters from the most frequent to the rarest. */
const ALPHABETS = {
  'windows-1255': 'יוהלאמרתבשנעםדחפקךןכגטצסזףץ',
  'windows-1251': 'оеаинтсрвлкмдпуяыьгзбчйхжшюцщэфъёіїєґў',
  'windows-1256': 'اليمنوتربةعدفهسكقحجشصطخىءأضزثذغظإؤئآ',
} as const

/** Returns the encoding in whose alphabet words beyond ASCII are written, where most of them are in one. */
function letteredEncoding(bytes: Uint8Array): Encoding | undefined {
  const words = decodeText(bytes, 'windows-1252').match(/[A-Za-z\u0080-\u{ffff}]+/gu) ?? []
  const foreign = words.filter((word) => /[\u0080-\u{ffff}]/u.test(word))
  // In the languages of the West letters with marks stand among plain ones.
  if (foreign.filter((word) => !/[A-Za-z]/u.test(word) && word.length > 1).length * 2 <= foreign.length)
    return undefined
  const scores = (Object.keys(ALPHABETS) as (keyof typeof ALPHABETS)[]).map((encoding) => ({
    encoding,
    score: likeness(decodeText(bytes, encoding), ALPHABETS[encoding]),
  }))
  return scores.reduce((best, one) => (one.score > best.score ? one : best)).encoding
}

/** Returns how like an alphabet's use the letters of a text are: the mean of their ranks' logarithms, negative. */
function likeness(text: string, alphabet: string): number {
  // A capital after a small letter, or before some, is none that anybody wrote.
  const written = text.replace(/\p{L}+/gu, (word) =>
    /\p{Ll}/u.test(word) ? word[0]! + word.slice(1).replace(/\p{Lu}/gu, '\ufffd') : word,
  )
  const letters = [...written.toLowerCase().replace(/[\u0000-\u007f\u0591-\u05c7\u064b-\u0652\u00a0-\u00bf]/gu, '')]
  const rankOf = (letter: string): number => {
    const rank = alphabet.indexOf(letter)
    return rank < 0 ? 4 * alphabet.length : rank + 3
  }
  return letters.reduce((sum, letter) => sum - Math.log(rankOf(letter)), 0) / Math.max(1, letters.length)
}
