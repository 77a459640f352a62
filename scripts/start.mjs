// Starts everything: packages, database, build, server. Ctrl-C stops all of it.
import { randomBytes } from 'node:crypto'
import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { home, installNpmPackages } from './install.mjs'
import { Advice, createDatabase, startCluster } from './postgres.mjs'

const data = process.env.OTTER_DATA ?? join(home, '.data')
const port = Number(process.env.PORT ?? 4780)
const LEAST_ROOM = 300 * 2 ** 20
let cluster
let server
let stopping = false
let claimed = false

function stop(code) {
  if (stopping) return
  stopping = true
  const end = () => {
    cluster?.stop()
    if (claimed) rmSync(join(data, 'running'), { force: true })
    process.exit(code)
  }
  if (!server || server.exitCode !== null) return end()
  server.once('exit', end)
  server.kill('SIGTERM')
  setTimeout(() => server.kill('SIGKILL'), 8000).unref()
}
process.on('SIGINT', () => stop(0))
process.on('SIGTERM', () => stop(0))
process.on('SIGHUP', () => stop(0))

function portIsFree() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)))
    probe.listen(port, () => probe.close(() => resolve(true)))
  })
}

/** One run at a time uses a data folder; a run that was killed leaves a number of a process that is gone. */
function claimData() {
  mkdirSync(data, { recursive: true })
  const mark = join(data, 'running')
  if (existsSync(mark)) {
    const other = Number(readFileSync(mark, 'utf8'))
    try {
      process.kill(other, 0)
      if (readFileSync(`/proc/${other}/cmdline`, 'utf8').includes('start.mjs')) throw new Advice('Jolly Otter is running from this folder already. Stop it first, or set OTTER_DATA to another folder.')
    } catch (error) {
      if (error instanceof Advice) throw error
    }
  }
  writeFileSync(mark, String(process.pid))
  claimed = true
}

function secret() {
  const file = join(data, 'secret')
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

async function start() {
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Advice(`PORT is ${process.env.PORT}; use a number from 1 to 65535.`)
  // The server of a run that was killed a moment ago may still be closing.
  for (let tries = 0; tries < 5 && !(await portIsFree()); tries++) await new Promise((resolve) => setTimeout(resolve, 400))
  if (!(await portIsFree())) throw new Advice(`Port ${port} is in use. Choose another: PORT=${port + 1} npm start`)
  const { bavail, bsize } = statfsSync(home)
  if (bavail * bsize < LEAST_ROOM) throw new Advice(`The disk is nearly full: ${Math.round((bavail * bsize) / 2 ** 20)} MB are left, ${LEAST_ROOM / 2 ** 20} MB are needed. Make room and try again.`)
  claimData()
  installNpmPackages()
  const { build } = await import('./build.mjs')
  await build()
  let url = process.env.DATABASE_URL
  if (!url) {
    cluster = await startCluster(data)
    createDatabase(cluster, 'otter')
    url = cluster.url('otter')
  }
  if (stopping) return
  const env = { ...process.env, DATABASE_URL: url, PORT: String(port), SESSION_SECRET: process.env.SESSION_SECRET ?? secret(), WEB_FOLDER: join(home, 'dist', 'web'), NODE_ENV: 'production' }
  // A process group of its own would be cut off from Ctrl-C's end; it is stopped by a signal instead.
  server = fork(join(home, 'packages/server/dist/server.js'), { env, detached: true })
  server.once('exit', (code) => {
    if (!stopping) console.error('The server stopped. The lines above say why.')
    stop(stopping ? 0 : code || 1)
  })
  server.once('message', () => {
    console.log(`\nJolly Otter is at http://localhost:${port}`)
    if (process.env.SAMPLE_DATA !== '0') console.log('Sign in with the button "Look around as Ines Okafor", or as ines@harlowquay.example with the password otters-hold-hands.')
    console.log('Ctrl-C stops it.\n')
  })
}

start().catch((error) => {
  console.error(error instanceof Advice ? error.message : error.code === 'ENOSPC' ? 'The disk is full. Make room and try again.' : error)
  stop(1)
})
