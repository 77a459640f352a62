// Draws places, finds the tests that come to each, and runs these with the place changed.
import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { home, installNpmPackages } from '../install.mjs'
import { startCluster } from '../postgres/cluster.mjs'
import { bundleTests } from '../testing/bundle.mjs'
import { chosenFiles } from '../testing/files.mjs'

const FOLDERS = ['packages/core/src', 'packages/server/src/services']
/** Moves that the tests of all games draw, and no part of playing. */
const NO_PRODUCT = /\/sample\.ts$/u
/** Tests of the commands come to no place of their own process. */
const OF_COMMANDS = /^scripts\//u
/** Tests that come to a place as it is loaded, or as many others do: so many files are run for it, the quickest first. */
const MOST_FILES = 12
/** What takes so many times longer than before, with a start of its own in milliseconds, goes on for ever. */
const LONGER = 8
const START = 60_000

const [wanted = '40', seed = String(Date.now())] = process.argv.slice(2)
const { placesOf, TRIES, withBoth } = await prepared()

async function prepared() {
  await installNpmPackages()
  return import('./places.mjs')
}

/** Returns numbers from 0 to below 1, the same for the same seed (mulberry32 over an FNV-1a hash). */
function randomFrom(text) {
  let state = 2166136261
  for (const letter of text) state = Math.imul(state ^ letter.charCodeAt(0), 16777619)
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}

function sources() {
  return FOLDERS.flatMap((folder) =>
    readdirSync(join(home, folder), { recursive: true })
      .filter((name) => /\.tsx?$/u.test(name) && !NO_PRODUCT.test(name))
      .map((name) => join(home, folder, name)),
  ).sort()
}

/** Draws places, none of which lies within another. */
function drawPlaces(count) {
  const all = sources().flatMap((path) => placesOf(path, readFileSync(path, 'utf8')))
  const random = randomFrom(seed)
  const drawn = []
  while (drawn.length < Math.min(count, all.length)) {
    const [place] = all.splice(Math.floor(random() * all.length), 1)
    const overlaps = (other) => other.path === place.path && other.start < place.end && place.start < other.end
    if (!drawn.some(overlaps)) drawn.push({ ...place, number: drawn.length })
  }
  return drawn
}

function runTests(files, env, options = {}) {
  const mocha = join(home, 'node_modules/mocha/bin/mocha.js')
  const args = [
    mocha,
    '--no-config',
    '--exit',
    '--timeout',
    '240000',
    '--reporter',
    'dot',
    ...(options.args ?? []),
    ...files,
  ]
  return spawnSync(process.execPath, args, { cwd: home, env: { ...process.env, ...env }, ...options.spawn })
}

function shown({ path, line, was, instead, isStatement }) {
  const short = (text) => text.replaceAll(/\s+/gu, ' ').slice(0, 90)
  return `${relative(home, path)}:${line}  ${short(was)}  →  ${isStatement ? '(nothing)' : short(instead)}`
}

async function main() {
  const places = drawPlaces(Number(wanted))
  console.log(`${places.length} places, seed ${seed}`)
  const folder = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'otter-mutate-'))
  chmodSync(folder, 0o711)
  const cluster = await startCluster(folder, { throwAway: true })
  const files = chosenFiles({ words: [], isLong: false }).units.filter((file) => !OF_COMMANDS.test(file))
  const change = (path, text) =>
    withBoth(
      text,
      places.filter((place) => place.path === path),
    )
  const { bundled, outdir, clear } = await bundleTests(files, { change, banner: TRIES })
  try {
    const env = {
      TEST_CLUSTER_URL: cluster.url('').replace(/\/$/, ''),
      NODE_ENV: 'production',
      OTTER_BUNDLE: outdir,
      OTTER_REACHED: join(folder, 'reached'),
    }
    console.log('Running all tests once, to see which come where …')
    const hooks = ['--require', join(home, 'scripts/mutation/reachedBy.mjs'), '--parallel', '--jobs', '2']
    const whole = runTests(bundled, env, { args: hooks, spawn: { stdio: ['ignore', 'ignore', 'inherit'] } })
    if (whole.status !== 0) console.error('Tests fail with nothing changed: what follows says less.')
    const lines = readFileSync(env.OTTER_REACHED, 'utf8').trim().split('\n').map(JSON.parse)
    lines.sort((one, other) => one.milliseconds - other.milliseconds)
    const survivors = places.filter((place) => !isNoticed(place, lines, env))
    const killed = places.length - survivors.length
    console.log(
      `\n${killed} of ${places.length} are noticed, ${((100 * killed) / places.length).toFixed(0)} %. Not noticed:`,
    )
    for (const place of survivors) console.log(shown(place))
  } finally {
    clear()
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

function isNoticed(place, lines, env) {
  const direct = lines.filter(({ reached }) => reached.includes(place.number))
  const reaching = direct.length > 0 ? direct : lines.filter(({ atLoading }) => atLoading.includes(place.number))
  const chosen = reaching.slice(0, MOST_FILES)
  const usual = chosen.reduce((sum, { milliseconds }) => sum + milliseconds, 0)
  const { status } =
    chosen.length === 0
      ? { status: 0 }
      : runTests(
          chosen.map(({ file }) => file),
          { ...env, OTTER_TRIED: String(place.number) },
          { args: ['--bail'], spawn: { stdio: 'ignore', timeout: START + LONGER * usual } },
        )
  console.log(`${status === 0 ? '✘' : '✔'} ${shown(place)}${chosen.length === 0 ? '  (no test comes here)' : ''}`)
  return status !== 0
}

await main()
