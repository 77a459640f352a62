import { benchApi } from './api.ts'
import { benchBrowser } from './browser.ts'
import { benchGames } from './games.ts'
import { benchLists } from './lists.ts'
import { benchLoad } from './load.ts'
import { benchQuiz } from './quiz.ts'
import { benchWordSearch } from './wordsearch.ts'

/** Benchmarks by name; all of them run where none is named. */
const BENCHES: Record<string, () => void | Promise<void>> = {
  lists: benchLists,
  wordsearch: benchWordSearch,
  games: benchGames,
  quiz: benchQuiz,
  api: benchApi,
  load: benchLoad,
  browser: benchBrowser,
}

const named = process.argv.slice(2)
for (const [name, bench] of Object.entries(BENCHES)) if (named.length === 0 || named.includes(name)) await bench()
