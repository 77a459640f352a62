// Reads a dictionary in the format of Hunspell, with all forms that its affixes make of its words.

interface Rule {
  strip: string
  add: string
  condition: RegExp
  flags: readonly string[]
}

interface Affix {
  isPrefix: boolean
  crosses: boolean
  rules: Rule[]
}

type Flags = (text: string) => string[]

/** Returns the words of a dictionary in all their forms. Words put together of others are not made. */
export function* wordsOfHunspell(affixes: string, dictionary: string): Iterable<string> {
  const { byFlag, flagsOf, never } = readAffixes(affixes)
  for (const line of dictionary.split('\n').slice(1)) {
    const [, word, flags = ''] = /^((?:\\\/|[^/\s])+)(?:\/(\S+))?/u.exec(line) ?? []
    if (word === undefined) continue
    const own = flagsOf(flags)
    if (own.some((flag) => never.has(flag))) continue
    yield word.replace(/\\\//gu, '/')
    yield* formsOf(word, own, byFlag)
  }
}

function* formsOf(word: string, flags: readonly string[], byFlag: ReadonlyMap<string, Affix>): Iterable<string> {
  const affixes = affixesOf(flags, byFlag)
  const prefixes = affixes.filter(({ isPrefix, crosses }) => isPrefix && crosses)
  for (const affix of affixes)
    for (const { form, rule } of withAffix(word, affix)) {
      yield form
      if (affix.isPrefix) continue
      const further = [...affixesOf(rule.flags, byFlag), ...(affix.crosses ? prefixes : [])]
      for (const next of further) for (const second of withAffix(form, next)) yield second.form
    }
}

function affixesOf(flags: readonly string[], byFlag: ReadonlyMap<string, Affix>): Affix[] {
  return flags.flatMap((flag) => byFlag.get(flag) ?? [])
}

function withAffix(word: string, { rules, isPrefix }: Affix): { form: string; rule: Rule }[] {
  return rules.flatMap((rule) => {
    const form = applied(word, rule, isPrefix)
    return form === undefined ? [] : [{ form, rule }]
  })
}

function applied(word: string, { strip, add, condition }: Rule, isPrefix: boolean): string | undefined {
  if (!condition.test(word) || !(isPrefix ? word.startsWith(strip) : word.endsWith(strip))) return undefined
  return isPrefix ? add + word.slice(strip.length) : word.slice(0, word.length - strip.length) + add
}

function readAffixes(text: string): { byFlag: Map<string, Affix>; flagsOf: Flags; never: Set<string> } {
  const lines = text.split('\n').map((line) => line.trim().split(/\s+/u))
  const flagsOf = flagReader(lines)
  const never = new Set(
    lines.filter(([name]) => name === 'FORBIDDENWORD' || name === 'ONLYINCOMPOUND').map(([, flag]) => flag!),
  )
  const byFlag = new Map<string, Affix>()
  for (const [name, flag = '', strip = '', add = '0', condition] of lines) {
    if (name !== 'SFX' && name !== 'PFX') continue
    const isPrefix = name === 'PFX'
    const affix = byFlag.get(flag)
    if (!affix) byFlag.set(flag, { isPrefix, crosses: strip === 'Y', rules: [] })
    else affix.rules.push(ruleOf(strip, add, condition, isPrefix, flagsOf))
  }
  return { byFlag, flagsOf, never }
}

function ruleOf(strip: string, add: string, condition: string | undefined, isPrefix: boolean, flagsOf: Flags): Rule {
  const [bare = '', flags = ''] = add.split('/')
  const pattern = condition === undefined || condition === '.' ? '' : condition.replace(/[-^](?=\])/gu, '\\$&')
  return {
    strip: strip === '0' ? '' : strip,
    add: bare === '0' ? '' : bare,
    condition: new RegExp(isPrefix ? `^${pattern}` : `${pattern}$`, 'u'),
    flags: flagsOf(flags),
  }
}

/** Returns how flags are read: each a letter, two, or a number; or by the number of their alias. */
function flagReader(lines: readonly string[][]): Flags {
  const kind = lines.find(([name]) => name === 'FLAG')?.[1] ?? 'short'
  const aliases = lines.filter(([name]) => name === 'AF').slice(1)
  const split: Flags = (flags) =>
    kind === 'long' ? (flags.match(/../gu) ?? []) : kind === 'num' ? flags.split(',') : [...flags]
  return (flags) => {
    if (flags === '') return []
    const isAlias = aliases.length > 0 && /^\d+$/u.test(flags)
    return split(isAlias ? (aliases[Number(flags) - 1]?.[1] ?? '') : flags)
  }
}
