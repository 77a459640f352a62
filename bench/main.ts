import { benchApi } from './api.ts'
import { benchLists } from './lists.ts'
import { benchWordSearch } from './wordsearch.ts'

await benchLists()
benchWordSearch()
await benchApi()
