// PostgreSQL's programs: found or installed, and run as an ordinary user. Node built-ins only.
import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Advice } from '../advice.mjs'

export const isRoot = process.getuid?.() === 0

/** Ordinary user of Debian's packages, under whom the database runs where we are root. */
export const USER = 'postgres'

export function run(command, args, options = {}) {
  return spawnSync(command, args, { encoding: 'utf8', ...options })
}

/** Makes a folder that other users can go through, whatever rights new folders have here. */
export function makeOpenFolder(folder) {
  mkdirSync(folder, { recursive: true })
  chmodSync(folder, 0o755)
}

/** Installs Debian packages; as anyone but root it says which. */
export function installPackages(packages, what) {
  const command = `apt-get update && apt-get install -y ${packages.join(' ')}`
  if (!isRoot || run('which', ['apt-get']).status !== 0) {
    throw new Advice(`${what} is missing. Install it and try again:\n  sudo sh -c '${command}'`)
  }
  console.log(`Installing ${what} … (once, a minute or less)`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [
    ['update', '-q'],
    ['install', '-y', '-q', '--no-install-recommends', ...packages],
  ]) {
    const { status, stderr } = run('apt-get', args, { env })
    if (status !== 0)
      throw new Advice(
        `${what} could not be installed: ${lastLine(stderr)}\nIs the network there, and are Debian's packages reachable? Then try again.`,
      )
  }
}

/** Returns the last line of a text that says anything. */
export function lastLine(text) {
  return text.trim().split('\n').at(-1) ?? ''
}

function installed() {
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base) ? readdirSync(base).sort((one, other) => Number(other) - Number(one)) : []
  return versions.map((version) => join(base, version, 'bin')).find((folder) => existsSync(join(folder, 'initdb')))
}

/** Returns the folder of PostgreSQL's programs, and installs them where they are missing. */
export function findPostgres() {
  const found = installed()
  if (found) return found
  if (isRoot) {
    makeOpenFolder('/etc/postgresql-common')
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
  }
  installPackages(['postgresql'], 'PostgreSQL')
  const now = installed()
  if (!now)
    throw new Advice(
      'PostgreSQL was installed, but its programs are not in /usr/lib/postgresql. Set DATABASE_URL to a server of your own.',
    )
  return now
}

/**
 * Runs a program as an ordinary user: PostgreSQL refuses root, and whoever gets in there must not become root. The
 * rights are dropped for good.
 */
export function asOrdinary(command, args, options = {}) {
  const settings = { cwd: '/', stdio: ['pipe', 'ignore', 'ignore'], ...options }
  if (!isRoot) return run(command, args, settings)
  return run(
    'setpriv',
    [`--reuid=${USER}`, `--regid=${USER}`, '--clear-groups', '--no-new-privs', '--inh-caps=-all', command, ...args],
    settings,
  )
}
