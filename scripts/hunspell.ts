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
  const affixes = flags.flatMap((flag) => byFlag.get(flag) ?? [])
  const prefixes = affixes.filter(({ isPrefix }) => isPrefix)
  for (const { rules, crosses, isPrefix } of affixes)
    for (const rule of rules) {
      const made = applied(word, rule, isPrefix)
      if (made === undefined) continue
      yield made
      if (isPrefix) continue
      for (const next of rule.flags.flatMap((flag) => byFlag.get(flag) ?? []))
        for (const second of next.rules) {
          const form = applied(made, second, next.isPrefix)
          if (form !== undefined) yield form
        }
      if (crosses)
        for (const prefix of prefixes)
          if (prefix.crosses)
            for (const before of prefix.rules) {
              const form = applied(made, before, true)
              if (form !== undefined) yield form
            }
    }
}

function applied(word: string, { strip, add, condition }: Rule, isPrefix: boolean): string | undefined {
  if (!condition.test(word) || !(isPrefix ? word.startsWith(strip) : word.endsWith(strip))) return undefined
  return isPrefix ? add + word.slice(strip.length) : word.slice(0, word.length - strip.length) + add
}

function readAffixes(text: string): { byFlag: Map<string, Affix>; flagsOf: Flags; never: Set<string> } {
  const lines = text.split('\n').map((line) => line.trim().split(/\s+/u))
  const kind = lines.find(([name]) => name === 'FLAG')?.[1] ?? 'short'
  const aliases = lines.filter(([name]) => name === 'AF').slice(1)
  const split: Flags = (flags) =>
    kind === 'long' ? (flags.match(/../gu) ?? []) : kind === 'num' ? flags.split(',') : [...flags]
  const flagsOf: Flags = (flags) =>
    flags === ''
      ? []
      : aliases.length > 0 && /^\d+$/u.test(flags)
        ? split(aliases[Number(flags) - 1]?.[1] ?? '')
        : split(flags)
  const never = new Set(
    lines
      .filter(([name]) => name === 'FORBIDDENWORD' || name === 'ONLYINCOMPOUND' || name === 'NEEDAFFIX')
      .flatMap(([name, flag]) => (name === 'NEEDAFFIX' ? [] : [flag!])),
  )
  const byFlag = new Map<string, Affix>()
  for (const [name, flag, strip, add, condition] of lines) {
    if ((name !== 'SFX' && name !== 'PFX') || flag === undefined || strip === undefined) continue
    const isPrefix = name === 'PFX'
    if (condition === undefined && /^\d+$/u.test(add ?? '') && (strip === 'Y' || strip === 'N')) {
      if (!byFlag.has(flag)) byFlag.set(flag, { isPrefix, crosses: strip === 'Y', rules: [] })
      continue
    }
    const [bare = '', flags = ''] = (add ?? '0').split('/')
    const pattern =
      condition === undefined || condition === '.' ? '' : condition.replace(/[-^](?=\])/gu, '\\$&').replace(/'/gu, "'")
    byFlag.get(flag)?.rules.push({
      strip: strip === '0' ? '' : strip,
      add: bare === '0' ? '' : bare,
      condition: new RegExp(isPrefix ? `^${pattern}` : `${pattern}$`, 'u'),
      flags: flagsOf(flags),
    })
  }
  return { byFlag, flagsOf, never }
}
