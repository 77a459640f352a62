import { NO_WORDS, wordFilesOf, wordsFrom, type WordKnowledge } from '@otter/core'

const asked = new Map<string, Promise<WordKnowledge>>()

/** Fetches what is known of the words of a language; each once. Knows nothing where it can't be fetched. */
export function fetchWords(language: string): Promise<WordKnowledge> {
  const names = wordFilesOf(language)
  const key = names.join(' ')
  let words = asked.get(key)
  if (!words) {
    words = Promise.all(names.map(fetchFile)).then((files) => wordsFrom(new Map(files)))
    asked.set(
      key,
      words.catch(() => {
        asked.delete(key)
        return NO_WORDS
      }),
    )
  }
  return asked.get(key)!
}

async function fetchFile(name: string): Promise<[string, Uint8Array]> {
  const response = await fetch(`/api/dictionary/words/${name}`)
  if (!response.ok) throw new Error(`${name}: ${response.status}`)
  return [name, new Uint8Array(await response.arrayBuffer())]
}
