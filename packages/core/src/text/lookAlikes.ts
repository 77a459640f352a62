/**
 * Letters of Cyrillic and Greek that look like Latin ones (after Unicode Technical Standard #39), by their Latin twin.
 */
const TWINS: Record<string, string> = {
  а: 'a',
  с: 'c',
  ԁ: 'd',
  е: 'e',
  һ: 'h',
  і: 'i',
  ј: 'j',
  о: 'o',
  р: 'p',
  ԛ: 'q',
  ѕ: 's',
  ԝ: 'w',
  х: 'x',
  у: 'y',
  ү: 'y',
  А: 'A',
  В: 'B',
  С: 'C',
  Е: 'E',
  Н: 'H',
  І: 'I',
  Ј: 'J',
  К: 'K',
  М: 'M',
  О: 'O',
  Р: 'P',
  Ѕ: 'S',
  Т: 'T',
  Х: 'X',
  У: 'Y',
  Ү: 'Y',
  ο: 'o',
  ν: 'v',
  α: 'a',
  ρ: 'p',
  ι: 'i',
  κ: 'k',
  υ: 'u',
  Α: 'A',
  Β: 'B',
  Ε: 'E',
  Ζ: 'Z',
  Η: 'H',
  Ι: 'I',
  Κ: 'K',
  Μ: 'M',
  Ν: 'N',
  Ο: 'O',
  Ρ: 'P',
  Τ: 'T',
  Υ: 'Y',
  Χ: 'X',
}
type Script = 'Latin' | 'Cyrillic' | 'Greek'
const SCRIPTS: Record<Script, RegExp> = {
  Latin: /\p{Script=Latin}/u,
  Cyrillic: /\p{Script=Cyrillic}/u,
  Greek: /\p{Script=Greek}/u,
}
const TWIN_OF: Record<'Cyrillic' | 'Greek', Map<string, string>> = { Cyrillic: new Map(), Greek: new Map() }
for (const [letter, latin] of Object.entries(TWINS)) {
  const script = SCRIPTS.Cyrillic.test(letter) ? 'Cyrillic' : 'Greek'
  if (!TWIN_OF[script].has(latin)) TWIN_OF[script].set(latin, letter)
}
const WORD = /[\p{L}\p{M}]+/gu

/**
 * Returns text in which every word is of one script: where a word mixes letters of Latin, Cyrillic or Greek that look
 * alike, the few are replaced by their twins of the script that most of its letters are of. A word stays as it is
 * where a letter has no twin.
 */
export function oneScript(text: string): string {
  return text.replace(WORD, (word) => {
    const scripts = (Object.keys(SCRIPTS) as Script[])
      .map((script) => ({ script, count: [...word].filter((letter) => SCRIPTS[script].test(letter)).length }))
      .filter(({ count }) => count > 0)
    if (scripts.length < 2) return word
    // The script with letters that no other has is meant; else the one with most letters.
    const candidates = scripts
      .sort((one, other) => other.count - one.count)
      .map(({ script }) => inScript(word, script))
      .filter((one) => one !== undefined)
    return candidates[0] ?? word
  })
}

/** Returns the word in letters of one script; undefined where a letter has no twin there. */
function inScript(word: string, script: Script): string | undefined {
  const letters = [...word].map((letter) => {
    if (SCRIPTS[script].test(letter) || !/\p{L}/u.test(letter)) return letter
    const latin = TWINS[letter] ?? (SCRIPTS.Latin.test(letter) ? letter : undefined)
    return script === 'Latin' || latin === undefined ? latin : TWIN_OF[script].get(latin)
  })
  return letters.every((letter) => letter !== undefined) ? letters.join('') : undefined
}
