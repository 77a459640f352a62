// A private PostgreSQL cluster on loopback: found or installed, created, started, stopped. Node built-ins only.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** An error that a person can mend: its message is all there is to say. */
export class Advice extends Error {}

const root = process.getuid?.() === 0

function run(command, args, options = {}) {
  return spawnSync(command, args, { encoding: 'utf8', ...options })
}

/** Installs Debian packages; as anyone but root it says which. */
export function installPackages(packages, what) {
  const command = `apt-get update && apt-get install -y ${packages.join(' ')}`
  if (!root || run('which', ['apt-get']).status !== 0) {
    throw new Advice(`${what} is missing. Install it and try again:\n  sudo sh -c '${command}'`)
  }
  console.log(`Installing ${what} …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [['update', '-q'], ['install', '-y', '-q', '--no-install-recommends', ...packages]]) {
    const { status, stderr } = run('apt-get', args, { env })
    if (status !== 0) throw new Advice(`${what} could not be installed: ${stderr.trim().split('\n').at(-1)}`)
  }
}

function binaries() {
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base) ? readdirSync(base).sort((one, other) => Number(other) - Number(one)) : []
  return versions.map((version) => join(base, version, 'bin')).find((folder) => existsSync(join(folder, 'initdb')))
}

/** Gives the folder of PostgreSQL's programs, and installs them where they are missing. */
export function findPostgres() {
  const found = binaries()
  if (found) return found
  if (root) {
    mkdirSync('/etc/postgresql-common', { recursive: true })
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
  }
  installPackages(['postgresql'], 'PostgreSQL')
  const installed = binaries()
  if (!installed) throw new Advice('PostgreSQL was installed, but its programs are not in /usr/lib/postgresql. Set DATABASE_URL to a server of your own.')
  return installed
}

/** PostgreSQL refuses root: then it runs as an ordinary user in a namespace of its own, or as the user postgres. */
function asOrdinary(command, args, folder) {
  const options = { cwd: '/', stdio: ['ignore', 'ignore', 'ignore'] }
  if (!root) return run(command, args, options)
  if (run('unshare', ['--user', '--map-user=1000', '--map-group=1000', 'true']).status === 0) {
    return run('unshare', ['--user', '--map-user=1000', '--map-group=1000', command, ...args], options)
  }
  run('chown', ['-R', 'postgres', folder])
  return run('setpriv', ['--reuid=postgres', '--regid=postgres', '--clear-groups', command, ...args], options)
}

/** Gives a port on loopback that nobody uses. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}

/**
 * Starts the cluster of a folder, and makes it first where there is none. A cluster left running by a killed run is
 * stopped first. Gives its address, and how to stop it.
 */
export async function startCluster(folder, { throwAway = false } = {}) {
  const bin = findPostgres()
  const data = join(folder, 'postgres')
  const control = (...args) => asOrdinary(join(bin, 'pg_ctl'), ['-D', data, ...args], folder)
  mkdirSync(folder, { recursive: true })
  if (existsSync(join(data, 'postmaster.pid'))) {
    if (control('status').status === 0) control('-m', 'fast', '-w', '-t', '30', 'stop')
    rmSync(join(data, 'postmaster.pid'), { force: true })
  }
  if (existsSync(data) && !existsSync(join(data, 'PG_VERSION'))) rmSync(data, { recursive: true, force: true })
  if (!existsSync(data)) {
    const made = asOrdinary(join(bin, 'initdb'), ['-D', data, '-U', 'otter', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8', ...(throwAway ? ['--no-sync'] : [])], folder)
    if (made.status !== 0) {
      rmSync(data, { recursive: true, force: true })
      throw new Advice(`The database could not be created in ${folder}. Is the disk full, or the folder not writable?`)
    }
  }
  const port = await freePort()
  const sockets = join(tmpdir(), `otter-${port}`)
  mkdirSync(sockets, { recursive: true, mode: 0o777 })
  const settings = { listen_addresses: '127.0.0.1', port, unix_socket_directories: sockets, max_connections: 100 }
  if (throwAway) Object.assign(settings, { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' })
  const flags = Object.entries(settings).map(([name, value]) => `-c ${name}=${value}`).join(' ')
  const log = join(folder, 'postgres.log')
  const started = control('-w', '-t', '60', '-l', log, '-o', flags, 'start')
  if (started.status !== 0) {
    const reason = existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').at(-1) : 'no log was written'
    throw new Advice(`The database in ${folder} did not start (${reason}). If the disk is full, make room; the log is ${log}.`)
  }
  const stop = () => {
    control('-m', 'fast', '-w', '-t', '30', 'stop')
    rmSync(sockets, { recursive: true, force: true })
  }
  return { url: (database) => `postgres://otter@127.0.0.1:${port}/${database}`, port, stop, bin }
}

/** Creates a database where it is not there yet. */
export function createDatabase({ bin, port }, name) {
  run(join(bin, 'createdb'), ['-h', '127.0.0.1', '-p', String(port), '-U', 'otter', name], { stdio: 'ignore' })
}
