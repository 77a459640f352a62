// The suite of tests that need no browser, from one bundle.
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { home } from '../install.mjs'
import { runTold } from './runTold.mjs'
import { count, tellPart } from './tally.mjs'

/** Longest that one test may take, in milliseconds. */
const PATIENCE = 240_000

/** Runs bundled files, so many at once. */
export async function unitTests({ bundled, outdir, env, folder, atOnce }) {
  const began = Date.now()
  const report = join(folder, 'unit.json')
  const here = (name) => join(home, 'scripts/testing', name)
  const code = await runTold(
    process.execPath,
    [
      join(home, 'node_modules/mocha/bin/mocha.js'),
      ...['--no-config', '--exit', '--timeout', String(PATIENCE), '--require', here('serverLog.mjs')],
      ...['--reporter', here('unitReporter.cjs'), '--reporter-option', `output=${report}`],
      // One file alone is told test by test.
      ...(bundled.length > 1 ? ['--parallel', '--jobs', String(atOnce)] : []),
      ...bundled,
    ],
    { cwd: home, env: { ...process.env, ...env, NODE_OPTIONS: '--enable-source-maps', OTTER_BUNDLE: outdir } },
  )
  const { passes, failures } = existsSync(report)
    ? JSON.parse(readFileSync(report, 'utf8'))
    : { passes: 0, failures: 0 }
  // A suite that broke off counts as a failure, whatever it reported.
  count(passes, Math.max(failures, code === 0 ? 0 : 1))
  tellPart('unit and API tests', code === 0, began)
}
