// Runs everything there is to check, and ends with how much passed. Installs what the tests need.
import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { home, installNpmPackages } from './install.mjs'
import { Advice, installPackages, startCluster } from './postgres.mjs'

const CHROMIUM = '/usr/bin/chromium'
const bin = (name) => join(home, 'node_modules', '.bin', name)
let passed = 0
let failed = 0

/** Runs a program to its end; gives its exit code and what it printed last. */
function run(name, command, args, env = {}) {
  return new Promise((resolve) => {
    const began = Date.now()
    const child = spawn(command, args, {
      cwd: home,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk))
    child.once('error', (error) => (output += error.message))
    child.once('close', (code) => {
      console.log(`\n── ${name}: ${code === 0 ? 'ok' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(1)} s`)
      resolve({ code, output })
    })
  })
}

/** A check without tests of its own counts as one. */
async function check(name, command, args) {
  const { code, output } = await run(name, command, args)
  if (code === 0) passed++
  else {
    failed++
    console.log(output)
  }
}

async function suite(name, command, args, env, report) {
  const { code, output } = await run(name, command, args, env)
  const told = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : { stats: { passes: 0, failures: 0 } }
  console.log(output.trim())
  for (const { fullTitle, err } of told.failures ?? []) console.log(`✘ ${fullTitle}\n${err.stack}\n`)
  const counts = countsOf(told)
  passed += counts.passed
  // A suite that broke off counts as a failure, whatever it reported.
  failed += Math.max(counts.failed, code === 0 ? 0 : 1)
}

function countsOf({ stats }) {
  return { passed: stats.passes ?? stats.expected, failed: stats.failures ?? stats.unexpected + stats.flaky }
}

async function main() {
  installNpmPackages()
  if (!existsSync(CHROMIUM)) installPackages(['chromium'], 'Chromium')
  const folder = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'otter-test-'))
  // The database's own user goes through it.
  chmodSync(folder, 0o711)
  const cluster = await startCluster(folder, { throwAway: true })
  const end = () => {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  process.on('SIGINT', () => {
    end()
    process.exit(130)
  })
  process.on('SIGTERM', () => {
    end()
    process.exit(143)
  })
  try {
    const { build } = await import('./build.mjs')
    await build()
    await check('types', process.execPath, ['node_modules/typescript-native/bin/tsc', '-b'])
    await check('format', bin('prettier'), ['--check', '.', '--log-level', 'warn'])
    await check('lint', bin('eslint'), ['.', '--max-warnings', '0'])
    await check('arrows between packages', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'packages'])
    await check('unused code', bin('knip'), [])
    await check('notices of packages', process.execPath, ['scripts/notices.mjs', '--check'])
    const env = { TEST_CLUSTER_URL: cluster.url('').replace(/\/$/, ''), NODE_ENV: 'test' }
    const unit = join(folder, 'unit.json')
    await suite(
      'unit and API tests',
      bin('mocha'),
      [
        '--reporter',
        'json',
        '--reporter-option',
        `output=${unit}`,
        'packages/core/test/*.test.ts',
        'packages/server/test/*.test.ts',
        'packages/web/test/*.test.ts',
        'scripts/test/*.test.ts',
      ],
      env,
      unit,
    )
    const browser = join(folder, 'browser.json')
    await suite(
      'interface tests',
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      {
        ...env,
        PLAYWRIGHT_JSON_OUTPUT_NAME: browser,
        OTTER_TEST_OUTPUT: join(folder, 'playwright'),
        WORKERS: String(Math.min(2, availableParallelism())),
      },
      browser,
    )
  } finally {
    end()
  }
}

try {
  await main()
} catch (error) {
  failed++
  console.error(error instanceof Advice ? error.message : error)
}
console.log(`\n${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 ? 0 : 1
