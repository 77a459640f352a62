/** Soft hyphens, byte order marks, zero-width spaces, and the marks and overrides of writing direction. */
const INVISIBLE = /[\u00ad\u061c\u180e\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u206f\ufeff]/gu
/** Joiners belong to Arabic and Indic scripts and to emoji; elsewhere they are strays. */
const STRAY_JOINER =
  /(?<![\p{Script=Arabic}\p{Script=Devanagari}\p{Script=Bengali}\p{Script=Tamil}\p{Script=Telugu}\p{Script=Kannada}\p{Script=Malayalam}\p{Script=Sinhala}\p{Extended_Pictographic}\p{Emoji_Modifier}\ufe0f\p{M}])[\u200c\u200d]/gu
/** Spaces that look like one and are none; the narrow ones of French punctuation stay. */
const ODD_SPACE = /[\u00a0\u2000-\u200a\u205f](?![!?:;»])(?<!«[\u00a0\u2000-\u200a\u205f])/gu
const SPACES_AT_LINE_ENDS = /^[ \t]+|[ \t]+$/gmu

/** Returns text without invisible characters, with plain single spaces, and none at the ends. Line breaks stay. */
export function tidyText(text: string): string {
  return text
    .replace(INVISIBLE, '')
    .replace(STRAY_JOINER, '')
    .replace(ODD_SPACE, ' ')
    .replace(/[ \t]{2,}/gu, ' ')
    .replace(SPACES_AT_LINE_ENDS, '')
    .trim()
}
