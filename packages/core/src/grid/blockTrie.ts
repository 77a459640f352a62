import { blockList } from '../text/blockList.ts'
import { foldAccents } from '../text/graphemes.ts'
import { WordTrie } from './wordTrie.ts'

/** The blocked words of a script, forwards and backwards, over numbers of its plain letters. */
interface ScriptTrie {
  trie: WordTrie
  numbers: Map<string, number>
}

/**
 * What a grid needs to see blocked words: the trie, and for each letter of the puzzle its number there (-1: in none).
 */
export interface BlockedWords {
  trie: WordTrie
  numberOf: Int16Array
}

const SCRIPTS = [/^\p{Script=Latin}+$/u, /^\p{Script=Cyrillic}+$/u, /^\p{Script=Arabic}+$/u, /^\p{Script=Han}+$/u]
const built = new Map<string, ScriptTrie>()

/**
 * Returns the blocked words in the script of most of a puzzle's letters, built once and kept.
 *
 * @param language BCP 47 code of the list's words, may be empty
 * @param except text of the teacher's own that can't be avoided: blocked words within it don't count
 */
export function blockedWords(letters: readonly string[], language: string, except: string): BlockedWords {
  const plain = letters.map((letter) => foldAccents(letter.toLowerCase()))
  const counted = SCRIPTS.map((script) => ({ script, count: plain.filter((letter) => script.test(letter)).length }))
  const { script } = counted.reduce((most, next) => (next.count > most.count ? next : most))
  const excepted = foldAccents(except.toLowerCase())
  const touched = excepted !== '' && blockList(language).some((word) => excepted.includes(word.join('')))
  const { trie, numbers } = touched ? build(script, language, excepted) : cached(script, language)
  return { trie, numberOf: Int16Array.from(plain, (letter) => numbers.get(letter) ?? -1) }
}

function cached(script: RegExp, language: string): ScriptTrie {
  const key = `${language} ${script.source}`
  const kept = built.get(key)
  if (kept) return kept
  const made = build(script, language, '')
  built.set(key, made)
  return made
}

function build(script: RegExp, language: string, except: string): ScriptTrie {
  const words = blockList(language).filter(
    (word) => script.test(word.join('')) && !(except !== '' && except.includes(word.join(''))),
  )
  const numbers = new Map([...new Set(words.flat())].map((letter, index) => [letter, index]))
  const trie = new WordTrie(Math.max(1, numbers.size))
  for (const word of words) {
    const spelled = word.map((letter) => numbers.get(letter) ?? 0)
    trie.add(spelled)
    trie.add(spelled.reverse())
  }
  return { trie, numbers }
}
