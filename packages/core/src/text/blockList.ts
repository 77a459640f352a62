import ar from 'naughty-words/ar.json' with { type: 'json' }
import cs from 'naughty-words/cs.json' with { type: 'json' }
import da from 'naughty-words/da.json' with { type: 'json' }
import de from 'naughty-words/de.json' with { type: 'json' }
import en from 'naughty-words/en.json' with { type: 'json' }
import es from 'naughty-words/es.json' with { type: 'json' }
import fi from 'naughty-words/fi.json' with { type: 'json' }
import fr from 'naughty-words/fr.json' with { type: 'json' }
import hu from 'naughty-words/hu.json' with { type: 'json' }
import it from 'naughty-words/it.json' with { type: 'json' }
import nl from 'naughty-words/nl.json' with { type: 'json' }
import no from 'naughty-words/no.json' with { type: 'json' }
import pl from 'naughty-words/pl.json' with { type: 'json' }
import pt from 'naughty-words/pt.json' with { type: 'json' }
import ru from 'naughty-words/ru.json' with { type: 'json' }
import sv from 'naughty-words/sv.json' with { type: 'json' }
import tr from 'naughty-words/tr.json' with { type: 'json' }
import zh from 'naughty-words/zh.json' with { type: 'json' }
import { foldAccents, graphemesOf } from './graphemes.ts'

/** Shorter ones hide in every grid and mean nothing there; longer ones never arise by chance. */
const SHORTEST = 3
const LONGEST = 8
/** Words that classrooms would mind and that the data lacks. */
const ALSO = [
  'dumb',
  'fag',
  'hell',
  'damn',
  'kill',
  'nazi',
  'poo',
  'pee',
  'wee',
  'turd',
  'arse',
  'crap',
  'piss',
  'slag',
  'twit',
]

const BY_LANGUAGE: Record<string, readonly string[]> = {
  ar,
  cs,
  da,
  de,
  en,
  es,
  fi,
  fr,
  hu,
  it,
  nl,
  no,
  nb: no,
  pl,
  pt,
  ru,
  sv,
  tr,
  zh,
}
const kept = new Map<string, readonly string[][]>()
const rude = new Map<string, ReadonlySet<string>>()

/**
 * Returns the words that no filler letters may spell in a list of the given language (BCP 47, may be empty), each as
 * lower-case graphemes without accents: single words of 3 to 8 letters from the naughty-words data (CC BY 4.0) in that
 * language and in English, which every class knows, and a few of our own.
 */
export function blockList(language: string): readonly string[][] {
  const code = language.toLowerCase().split('-')[0]!
  const known = kept.get(code)
  if (known) return known
  const words = [...rudeWords(language)]
    .filter((word) => /^[\p{L}\p{M}]+$/u.test(word))
    .map(graphemesOf)
    .filter((letters) => letters.length >= SHORTEST && letters.length <= LONGEST)
  kept.set(code, words)
  return words
}

/**
 * Returns the words and phrases that no classroom wants to read, in English and the given language (BCP 47, may be empty),
 * in small letters without accents.
 */
export function rudeWords(language: string): ReadonlySet<string> {
  const code = language.toLowerCase().split('-')[0]!
  let words = rude.get(code)
  if (!words) {
    words = new Set([...en, ...ALSO, ...(BY_LANGUAGE[code] ?? [])].map((word) => foldAccents(word.toLowerCase())))
    rude.set(code, words)
  }
  return words
}

const patterns = new Map<string, RegExp>()

/** Tells whether letters spell a word of the block list of some languages (BCP 47), wherever it begins. */
export function holdsRudeWord(text: string, languages: readonly string[]): boolean {
  const key = languages.join(' ')
  let pattern = patterns.get(key)
  if (!pattern) {
    const words = new Set(languages.flatMap((language) => blockList(language)).map((letters) => letters.join('')))
    patterns.set(key, (pattern = new RegExp([...words].join('|'), 'u')))
  }
  return pattern.test(foldAccents(text.toLowerCase()))
}
