/** Why a typed answer counts, from the strictest rule to the most lenient. */
export type RightRule =
  | 'exact'
  /** Capitals, punctuation and spaces do not count. */
  | 'letters'
  /** Another way to write the same letters: ß and ss, œ and oe, forms of alef, points left out. */
  | 'spelling'
  | 'accents'
  | 'article'
  /** A number, date or time of the same value, in digits or words. */
  | 'number'
  /** A formula written in another way. */
  | 'notation'
  /** The same things in another order. */
  | 'order'
  /** British and American spelling. */
  | 'variant'
  | 'slip'

/** Why a typed answer does not count. */
export type WrongRule =
  | 'empty'
  /** It is the answer to another entry. */
  | 'other'
  | 'wrong-article'
  | 'no-article'
  /** Accents count here. */
  | 'accents-count'
  /** A letter of the language's own, such as ñ, is not the letter it looks like. */
  | 'letter'
  | 'value'
  | 'unit'
  /** Capitals count in symbols and formulas. */
  | 'capitals'
  /** Nearly right, but it is another word of the language. */
  | 'word'
  /** Nearly right, and spelling counts, or nobody can tell whether it is another word. */
  | 'spelled'
  /** Too few of those that were asked for. */
  | 'too-few'
  | 'different'

/** What became of a typed answer. */
export type Verdict = { right: true; accepted: string; why: RightRule } | { right: false; why: WrongRule }
