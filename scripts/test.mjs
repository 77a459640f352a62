// Runs everything there is to check, and ends with how much passed. `npm test -- WORD …` runs the tests of files whose path
// holds a word; `--long` the lane of tests that take their time. Installs what the tests need.
import './nodeVersion.mjs'

import('./testing/main.mjs')
