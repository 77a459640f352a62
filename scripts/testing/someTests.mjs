// Runs tests whose titles match a pattern from files of the repository: someTests PATTERN FILE …
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { home } from '../install.mjs'
import { bundleTests } from './bundle.mjs'

const [pattern, ...files] = process.argv.slice(2)
const { bundled, clear } = await bundleTests(files)
const mocha = join(home, 'node_modules/mocha/bin/mocha.js')
const { status } = spawnSync(
  process.execPath,
  [mocha, '--no-config', '--exit', '--timeout', '240000', '--grep', pattern, ...bundled],
  { cwd: home, stdio: 'inherit' },
)
clear()
process.exitCode = status ?? 1
