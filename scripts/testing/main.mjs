// A run of the tests: what they need, one queue for checks and both suites, and what came of it.
import { chmodSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { Advice } from '../advice.mjs'
import { installNpmPackages } from '../install.mjs'
import { startCluster } from '../postgres/cluster.mjs'
import { findBrowser } from './browser.mjs'
import { checks } from './checks.mjs'
import { chosenFiles } from './files.mjs'
import { interfaceTests } from './interfaceTests.mjs'
import { runQueue } from './queue.mjs'
import { count, tell } from './tally.mjs'
import { unitTests } from './unitTests.mjs'

const words = process.argv.slice(2).filter((argument) => argument !== '--long')
const isLong = process.argv.includes('--long')
/** So many tests of a suite run at once. */
const AT_ONCE = 2
/** Weights that run at once: a little more than there are cores, since tests wait too. */
const BOUND = Math.max(3, availableParallelism() + 1)

async function main() {
  await installNpmPackages()
  const folder = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'otter-test-'))
  // The database's own user goes through it.
  chmodSync(folder, 0o711)
  const cluster = await startCluster(folder, { throwAway: true })
  const endings = [
    // What is stopped may still write to it.
    () => rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 }),
    () => cluster.stop(),
  ]
  const end = () => {
    for (const ending of endings.splice(0).reverse()) ending()
  }
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ])
    process.on(signal, () => {
      end()
      process.exit(code)
    })
  try {
    await runQueue(await jobsOf(cluster, folder, endings), BOUND)
  } finally {
    end()
  }
}

/** Returns all that is to run: the suites, and beside them the checks where everything is asked for. */
async function jobsOf(cluster, folder, endings) {
  const lane = isLong ? 'long' : 'short'
  const { units, interfaces } = chosenFiles({ words, isLong })
  const env = {
    TEST_CLUSTER_URL: cluster.url('').replace(/\/$/, ''),
    NODE_ENV: 'production',
    OTTER_LANE: lane,
  }
  const jobs = words.length === 0 && !isLong ? checks() : []
  const shared = { env, folder, atOnce: AT_ONCE }
  if (units.length > 0) {
    const { bundleTests } = await import('./bundle.mjs')
    const { bundled, outdir, clear } = await bundleTests(units)
    endings.push(clear)
    jobs.unshift({ weight: AT_ONCE, run: () => unitTests({ ...shared, bundled, outdir }) })
  }
  if (interfaces.length > 0 || units.some((file) => file.startsWith('scripts/test/start'))) {
    const { build } = await import('../build.mjs')
    await build()
  }
  if (interfaces.length > 0) {
    const browser = findBrowser()
    jobs.push({ weight: AT_ONCE, run: () => interfaceTests({ ...shared, files: interfaces, browser }) })
  }
  return jobs
}

try {
  await main()
} catch (error) {
  count(0, 1)
  console.error(error instanceof Advice ? error.message : error)
}
process.exitCode = tell() ? 0 : 1
