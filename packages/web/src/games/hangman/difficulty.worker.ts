import { readDictionary, type Asking, type Dictionary, type EntryList } from '@otter/core'
import { difficultyOfList, type WordDifficulty } from '@otter/core/games/hangman'

/** A list whose words' difficulty is asked. */
export interface DifficultyRequest {
  list: EntryList
  options: Asking
}

/** The words with their difficulty; or that the dictionary could not be fetched. */
export type DifficultyAnswer = { words: WordDifficulty[] } | { failed: true }

let dictionary: Promise<Dictionary> | undefined

async function fetchDictionary(): Promise<Dictionary> {
  const response = await fetch('/api/dictionary/en')
  if (!response.ok) throw new Error(`the dictionary answered ${response.status}`)
  return readDictionary(await response.text())
}

addEventListener('message', ({ data: { list, options } }: MessageEvent<DifficultyRequest>) => {
  dictionary ??= fetchDictionary()
  dictionary.then(
    (known) => postMessage({ words: difficultyOfList(list, options, known) } satisfies DifficultyAnswer),
    () => {
      dictionary = undefined
      postMessage({ failed: true } satisfies DifficultyAnswer)
    },
  )
})
