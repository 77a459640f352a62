// Starts everything: packages, database, build, server; with --dev, server and pages follow their sources. Ctrl-C stops
// all of it.
import { randomBytes } from 'node:crypto'
import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { home, installNpmPackages } from './install.mjs'
import { Advice, createDatabase, freePort, roomAt, startCluster } from './postgres.mjs'
import { startProxy } from './proxy.mjs'

const data = process.env.OTTER_DATA ?? join(home, '.data')
const port = Number(process.env.PORT ?? 4780)
const isDev = process.argv.includes('--dev')
/** Servers that share the database, behind a proxy where they are several. */
const count = Number(process.env.SERVERS ?? 1)
const MOST_SERVERS = 16
/** Room on the disk without which nothing is begun, and below which it is said while running; in bytes. */
const LEAST_ROOM = 300 * 2 ** 20
const LITTLE_ROOM = 100 * 2 ** 20
/**
 * How often the database and the disk are looked at, and the first and longest wait before something is started again;
 * in milliseconds.
 */
const LOOK = 1000
const FIRST_WAIT = 500
const LONGEST_WAIT = 30_000
/** After so long without trouble the next wait is short again, in milliseconds. */
const CALM = 60_000
let cluster
/** The processes that serve, each at its place. */
const servers = []
let stopping = false
let claimed = false
let isRestarting = false

function stop(code) {
  if (stopping) return
  stopping = true
  const end = () => {
    cluster?.stop()
    if (claimed) rmSync(join(data, 'running'), { force: true })
    process.exit(code)
  }
  const alive = servers.filter(({ exitCode, signalCode }) => exitCode === null && signalCode === null)
  if (alive.length === 0) return end()
  let left = alive.length
  for (const server of alive) {
    server.once('exit', () => --left === 0 && end())
    server.kill('SIGTERM')
    setTimeout(() => server.kill('SIGKILL'), 8000).unref()
  }
}
process.on('SIGINT', () => stop(0))
process.on('SIGTERM', () => stop(0))
process.on('SIGHUP', () => stop(0))

function isFree(wanted) {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)))
    probe.listen(wanted, () => probe.close(() => resolve(true)))
  })
}

/** Throws where a port stays in use; the server of a run that was killed a moment ago may still be closing. */
async function claimPort(wanted) {
  for (let tries = 0; tries < 5; tries++) {
    if (await isFree(wanted)) return
    await pause(400)
  }
  throw new Advice(`Port ${wanted} is in use. Choose another: PORT=${wanted + 1} npm ${isDev ? 'run dev' : 'start'}`)
}

/** One run at a time uses a data folder; a run that was killed leaves a number of a process that is gone. */
function claimData() {
  mkdirSync(data, { recursive: true })
  const mark = join(data, 'running')
  if (existsSync(mark)) {
    const other = Number(readFileSync(mark, 'utf8'))
    try {
      process.kill(other, 0)
      if (readFileSync(`/proc/${other}/cmdline`, 'utf8').includes('start.mjs'))
        throw new Advice(
          'Jolly Otter is running from this folder already. Stop it first, or set OTTER_DATA to another folder.',
        )
    } catch (error) {
      if (error instanceof Advice) throw error
    }
  }
  writeFileSync(mark, String(process.pid))
  claimed = true
}

/** Returns a secret of this installation; made when it is first asked for. */
function secret(name) {
  const file = join(data, name)
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

/** Throws where a setting is none that can be used. */
function checkSettings() {
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Advice(`PORT is ${process.env.PORT}; use a number from 1 to 65535.`)
  if (!Number.isInteger(count) || count < 1 || count > MOST_SERVERS)
    throw new Advice(`SERVERS is ${process.env.SERVERS}; use a number from 1 to ${MOST_SERVERS}.`)
  if (process.env.SMTP_URL !== undefined && process.env.PUBLIC_URL === undefined)
    throw new Advice(
      'With SMTP_URL set, say in PUBLIC_URL where teachers find Jolly Otter: mails lead there, such as https://otter.school.example.',
    )
}

async function start() {
  checkSettings()
  await claimPort(port)
  // In development the pages' own server stands before the other; else a proxy, where there are several.
  const ports = []
  for (let place = 0; place < (isDev ? 1 : count); place++) ports.push(isDev || count > 1 ? await freePort() : port)
  claimData()
  for (const folder of [home, data])
    if (roomAt(folder) < LEAST_ROOM)
      throw new Advice(
        `The disk of ${folder} is nearly full: ${inMegabytes(roomAt(folder))} MB are left, ${inMegabytes(LEAST_ROOM)} MB are needed. Make room and try again.`,
      )
  installNpmPackages()
  const develop = isDev ? await (await import('./develop.mjs')).develop(port, ports[0], () => restart()) : undefined
  if (!develop) await (await import('./build.mjs')).build()
  let url = process.env.DATABASE_URL
  if (!url) {
    cluster = await startCluster(data)
    createDatabase(cluster, 'otter')
    url = cluster.url('otter')
  }
  if (stopping) return
  const operator = process.env.OPERATOR_SECRET ?? secret('operator-secret')
  const env = {
    ...process.env,
    DATABASE_URL: url,
    SESSION_SECRET: process.env.SESSION_SECRET ?? secret('secret'),
    OPERATOR_SECRET: operator,
    LOCAL_ADDRESS: `http://localhost:${port}`,
    WEB_FOLDER: join(home, 'dist', 'web'),
    NODE_ENV: 'production',
  }
  // One after the other: the first one brings the database up to date.
  for (const [place, serverPort] of ports.entries()) await serve(place, { ...env, PORT: String(serverPort) })
  if (ports.length > 1) await startProxy(port, ports)
  await develop?.listen()
  if (stopping) return
  console.log(`\nJolly Otter is at http://localhost:${port}`)
  if (process.env.SAMPLE_DATA !== '0')
    console.log(
      'Sign in with the button "Look around as Ines Okafor", or as ines@harlowquay.example with the password otters-hold-hands.',
    )
  if (process.env.SMTP_URL === undefined)
    console.log(
      `Mails are not sent; read them, on this machine alone, at http://localhost:${port}/operator#${operator}`,
    )
  console.log('Ctrl-C stops it.\n')
  watchDatabase()
}

/** Ends the server so that it starts with what was bundled last; where it has ended already, it is started. */
function restart() {
  const [server] = servers
  if (stopping || !server) return
  isRestarting = true
  if (server.exitCode === null && server.signalCode === null) server.kill('SIGTERM')
  else server.emit('exit', null, 'SIGTERM')
}

const inMegabytes = (bytes) => Math.round(bytes / 2 ** 20)
const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** Waits that grow while trouble follows trouble. */
function growingWaits() {
  let wait = FIRST_WAIT
  let last = 0
  return () => {
    const now = Date.now()
    wait = now - last > CALM ? FIRST_WAIT : Math.min(LONGEST_WAIT, wait * 2)
    last = now
    return wait
  }
}

/**
 * Starts the server of a place, and starts it again whenever it ends by itself. Done once it answers; throws where it ends before
 * that.
 */
async function serve(place, env) {
  const nextWait = growingWaits()
  const run = () =>
    new Promise((resolve, reject) => {
      let ready = false
      // In a process group of its own, Ctrl-C does not reach it: it is stopped by a signal instead.
      const child = fork(join(home, 'packages/server', isDev ? 'dist-dev' : 'dist', 'server.js'), {
        env,
        detached: true,
      })
      servers[place] = child
      child.once('message', () => {
        ready = true
        resolve()
      })
      child.once('exit', (code, signal) => {
        if (stopping) return resolve()
        if (isRestarting) {
          isRestarting = false
          // Who waits for the first one, which was ended before it answered, waits for the next.
          return void run().then(resolve, (error) => (ready ? console.error(error.message) : reject(error)))
        }
        if (!ready) return reject(new Advice(`The server stopped (${signal ?? code}). The lines above say why.`))
        void again(`${signal ?? `code ${code}`}`)
      })
    })
  const again = async (why) => {
    while (!stopping) {
      const wait = nextWait()
      console.error(`The server stopped (${why}). What was saved is safe; it is started again in ${wait / 1000} s.`)
      await pause(wait)
      if (stopping) return
      try {
        await run()
        console.error('The server is back.')
        return
      } catch (error) {
        why = error.message
      }
    }
  }
  await run()
}

/** Starts the private database again whenever it ends by itself, and says when the disk fills up. */
function watchDatabase() {
  const nextWait = growingWaits()
  let isLow = false
  const look = async () => {
    while (!stopping) {
      await pause(LOOK)
      const low = roomAt(cluster?.data ?? data) < LITTLE_ROOM
      if (low && !isLow)
        console.error(
          `The disk is nearly full: ${inMegabytes(roomAt(cluster?.data ?? data))} MB are left. Make room, or nothing more can be saved.`,
        )
      isLow = low
      if (!cluster || cluster.isAlive() || stopping) continue
      const wait = nextWait()
      console.error(`The database stopped. What was saved is safe; it is started again in ${wait / 1000} s.`)
      await pause(wait)
      if (stopping) return
      try {
        cluster = await startCluster(data, { port: cluster.port })
        console.error('The database is back.')
      } catch (error) {
        console.error(error instanceof Advice ? error.message : error)
      }
    }
  }
  void look()
}

start().catch((error) => {
  console.error(
    error instanceof Advice
      ? error.message
      : error.code === 'ENOSPC'
        ? 'The disk is full. Make room and try again.'
        : error,
  )
  stop(1)
})
