import { benchApi } from './api.ts'
import { benchWordSearch } from './wordsearch.ts'

benchWordSearch()
await benchApi()
