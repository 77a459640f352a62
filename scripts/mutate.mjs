// Tells how strong the tests are: mutate N [SEED] changes N places drawn at random in core and services, one at a time, and
// lists those that no test notices.
import './nodeVersion.mjs'

import('./mutation/main.mjs')
