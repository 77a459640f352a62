// Starts everything: packages, database, build, server; with --dev, server and pages follow their sources. Ctrl-C stops
// all of it.
import './nodeVersion.mjs'

import('./start/start.mjs')
