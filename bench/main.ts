import { benchApi } from './api.ts'
import { runBareServer } from './bareServer.ts'
import { benchBrowser } from './browser.ts'
import { benchGames } from './games.ts'
import { benchLists } from './lists.ts'
import { benchLive } from './live.ts'
import { benchLoad } from './load.ts'
import { benchOverview } from './overview.ts'
import { benchReport } from './report.ts'
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
  overview: benchOverview,
  report: benchReport,
  browser: benchBrowser,
}

const [first, ...rest] = process.argv.slice(2)
// It is run by itself: it wants a durable database, and has settings of its own.
if (first === 'live') await benchLive(rest)
else if (first === 'bare-server') await runBareServer()
else
  for (const [name, bench] of Object.entries(BENCHES))
    if (first === undefined || process.argv.slice(2).includes(name)) await bench()
// Sockets that are still closing would keep it open.
if (first === 'live') process.exit()
