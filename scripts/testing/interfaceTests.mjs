// The suite in a browser, against the built server.
import { existsSync, readFileSync } from 'node:fs'
import { basename, join } from 'node:path'
import { home } from '../install.mjs'
import { runTold } from './runTold.mjs'
import { count, tellPart } from './tally.mjs'

/** Runs files of tests, so many at once. */
export async function interfaceTests({ files, env, folder, atOnce, browser }) {
  const began = Date.now()
  const report = join(folder, 'browser.json')
  const code = await runTold(
    process.execPath,
    [
      join(home, 'node_modules/.bin/playwright'),
      ...['test', '--config', 'e2e/playwright.config.ts', '--workers', String(atOnce)],
      ...files.map((file) => basename(file)),
    ],
    { cwd: home, env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report, OTTER_BROWSER: browser } },
  )
  const { stats } = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : { stats: {} }
  count(stats.expected ?? 0, Math.max((stats.unexpected ?? 0) + (stats.flaky ?? 0), code === 0 ? 0 : 1))
  tellPart('interface tests', code === 0, began)
}
