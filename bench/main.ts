import { benchApi } from './api.ts'
import { benchGames } from './games.ts'
import { benchLists } from './lists.ts'
import { benchQuiz } from './quiz.ts'
import { benchWordSearch } from './wordsearch.ts'

await benchLists()
benchWordSearch()
benchGames()
benchQuiz()
await benchApi()
