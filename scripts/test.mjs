// Runs everything there is to check, and ends with how much passed: test [WORD …] runs the tests of files whose path
// holds a word. Installs what the tests need.
import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { home, installNpmPackages } from './install.mjs'
import { Advice, installPackages, startCluster } from './postgres.mjs'

const CHROMIUM = '/usr/bin/chromium'
const bin = (name) => join(home, 'node_modules', '.bin', name)
/** So many cores have room for both suites at once, each of which runs two tests at a time. */
const ROOMY = 6
/** A test that takes longer than this is named; in milliseconds. */
const SLOW = 5000
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
  for (const { duration, fullTitle } of slowest(told.tests ?? []))
    console.log(`  ${(duration / 1000).toFixed(1).padStart(5)} s  ${fullTitle.slice(0, 100)}`)
  const counts = countsOf(told)
  passed += counts.passed
  // A suite that broke off counts as a failure, whatever it reported.
  failed += Math.max(counts.failed, code === 0 ? 0 : 1)
}

/** Returns the tests that a faster suite would begin with. */
function slowest(tests) {
  return tests
    .filter(({ duration }) => duration >= SLOW)
    .sort((one, other) => other.duration - one.duration)
    .slice(0, 10)
}

function countsOf({ stats }) {
  return { passed: stats.passes ?? stats.expected, failed: stats.failures ?? stats.unexpected + stats.flaky }
}

/** Folders of tests that run without a browser, and of those that need one. */
const UNIT_TESTS = ['packages/core/test', 'packages/server/test', 'packages/web/test', 'scripts/test']
const INTERFACE_TESTS = ['e2e']

function filesIn(folders, ending) {
  return folders.flatMap((folder) =>
    readdirSync(join(home, folder))
      .filter((name) => name.endsWith(ending))
      .map((name) => `${folder}/${name}`),
  )
}

/** Returns the files of tests that are asked for: those whose path holds one of the words; all where none is said. */
function chosen(words) {
  const isWanted = (file) => words.length === 0 || words.some((word) => file.includes(word))
  return {
    units: filesIn(UNIT_TESTS, '.test.ts').filter(isWanted),
    interfaces: filesIn(INTERFACE_TESTS, '.e2e.ts').filter(isWanted),
  }
}

/** All that can be told without running anything; the slowest check runs beside the others. */
async function checks() {
  const node = process.execPath
  const others = async () => {
    await check('types', node, ['node_modules/typescript-native/bin/tsc', '-b'])
    await check('format', bin('prettier'), ['--check', '.', '--log-level', 'warn'])
    await check('arrows between packages', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'packages'])
    await check('unused code', bin('knip'), [])
    await check('notices of packages', node, ['scripts/notices.mjs', '--check'])
  }
  await Promise.all([others(), check('lint', bin('eslint'), ['.', '--max-warnings', '0'])])
}

async function unitTests(files, env, report) {
  const reporter = ['--reporter', 'json', '--reporter-option', `output=${report}`]
  await suite('unit and API tests', bin('mocha'), [...reporter, ...files], env, report)
}

async function interfaceTests(files, env, folder) {
  const { build } = await import('./build.mjs')
  await build()
  const report = join(folder, 'browser.json')
  const workers = String(Math.min(2, availableParallelism()))
  const settings = {
    ...env,
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    OTTER_TEST_OUTPUT: join(folder, 'playwright'),
    WORKERS: workers,
  }
  const named = files.map((file) => file.slice(file.lastIndexOf('/') + 1))
  await suite(
    'interface tests',
    bin('playwright'),
    ['test', '--config', 'e2e/playwright.config.ts', ...named],
    settings,
    report,
  )
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
    // What is stopped may still write to it.
    rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 })
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
    const env = { TEST_CLUSTER_URL: cluster.url('').replace(/\/$/, ''), NODE_ENV: 'test' }
    const { units, interfaces } = chosen(process.argv.slice(2))
    if (process.argv.length <= 2) await checks()
    const suites = [
      async () => units.length > 0 && unitTests(units, env, join(folder, 'unit.json')),
      async () => interfaces.length > 0 && interfaceTests(interfaces, env, folder),
    ]
    // Side by side where there is room: on two cores, what has a time limit would run out of it.
    if (availableParallelism() >= ROOMY) await Promise.all(suites.map((begin) => begin()))
    else for (const begin of suites) await begin()
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
