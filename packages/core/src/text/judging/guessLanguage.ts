import { NO_WORDS, type WordKnowledge } from './knowledge.ts'
import { inSmall } from './folding.ts'

/** Scripts that tell the language by themselves, or by letters of its own. */
const BY_SCRIPT: readonly (readonly [RegExp, string])[] = [
  [/[\p{Script=Hiragana}\p{Script=Katakana}]/u, 'ja'],
  [/\p{Script=Hangul}/u, 'ko'],
  [/\p{Script=Han}/u, 'zh'],
  [/\p{Script=Thai}/u, 'th'],
  [/\p{Script=Hebrew}/u, 'he'],
  [/[ٹڈڑے]/u, 'ur'],
  [/[پچژگ]/u, 'fa'],
  [/\p{Script=Arabic}/u, 'ar'],
  [/\p{Script=Greek}/u, 'el'],
  [/[їєґ]/u, 'uk'],
  [/[ђћљњџј]/u, 'sr'],
  [/\p{Script=Cyrillic}/u, 'ru'],
  [/\p{Script=Devanagari}/u, 'hi'],
  [/\p{Script=Bengali}/u, 'bn'],
  [/\p{Script=Tamil}/u, 'ta'],
  [/\p{Script=Georgian}/u, 'ka'],
  [/\p{Script=Armenian}/u, 'hy'],
]

/** Letters, endings and small words that are frequent in one language and rare in others. */
const MARKS: Record<string, RegExp> = {
  cs: /[ěřů]/u,
  da: /\b(?:og|ikke|hvad)\b|æ/u,
  de: /ß|\b(?:der|die|das|und|ein|eine|ich)\b|(?:ung|keit|heit|sch\p{L}+en)\b|^sch/u,
  en: /\b(?:the|of|and|to|is)\b|(?:tion|ing|ness|th|gh\p{L}*)\b|wh|sh\b|ck\b/u,
  es: /[ñ¿¡]|\b(?:el|los|las|una|del)\b|(?:ción|dad|ía)\b/u,
  fi: /ää|yö|(?:nen|ssa|ssä)\b/u,
  fr: /[çœêè]|\b(?:le|les|une|des|du)\b|\b[ld]'|(?:eau|eux|tion|ment)\b/u,
  hu: /[őű]|\b(?:egy|az)\b/u,
  it: /\b(?:il|gli|della|uno)\b|(?:zione|tà|zz\p{L}+)\b/u,
  nl: /\b(?:het|een|van)\b|ij|(?:isch|heid|lijk)\b/u,
  pl: /[łąęśźż]|sz|cz/u,
  pt: /[ãõ]|\b(?:uma|os|um|não|do)\b|lh|nh|(?:ção)\b/u,
  ro: /[țășț]|\b(?:și|un|cu)\b/u,
  sv: /\b(?:och|att|ett)\b|[åä]|(?:ning|het)\b/u,
  tr: /[ığş]|\b(?:ve|bir)\b/u,
  vi: /[ơưđăạảấầẩẫậắằẳẵặẹẻẽếềểễệỉịọỏốồổỗộớờởỡợụủứừửữựỳỵỷỹ]/u,
}
/** A known word tells as much as this many of its marks. */
const KNOWN = 1

/** Returns the language, as a BCP 47 code, that texts seem to be in; empty where nothing tells. */
export function guessLanguage(texts: readonly string[], { isWord }: WordKnowledge = NO_WORDS): string {
  const all = texts.join('\n')
  const script = BY_SCRIPT.find(([pattern]) => pattern.test(all))
  if (script) return script[1]
  const scores = Object.entries(MARKS).map(([code, pattern]) => ({
    code,
    score: texts.reduce((sum, text) => {
      const small = inSmall(text, code)
      const words = small.match(/[\p{L}\p{M}]+/gu) ?? []
      const known = words.filter((word) => isWord(word, code) ?? false).length / Math.max(1, words.length)
      return sum + known * KNOWN + (pattern.test(small) ? 1 : 0)
    }, 0),
  }))
  const best = scores.sort((one, other) => other.score - one.score || (one.code === 'en' ? -1 : 1))[0]!
  return best.score > 0 ? best.code : ''
}
