// The start itself, one step after the other, each of which is said while it is done.
import { join } from 'node:path'
import { Advice } from '../advice.mjs'
import { home, installNpmPackages } from '../install.mjs'
import { createDatabase, freePort, startCluster } from '../postgres/cluster.mjs'
import { startProxy } from '../proxy.mjs'
import { claimFolder, needRoom, secretOf } from './folder.mjs'
import { claimPort } from './port.mjs'
import { Servers } from './servers.mjs'
import { settingsHere } from './settings.mjs'
import { watch } from './watch.mjs'

const isDev = process.argv.includes('--dev')
/** How long all of it may take to end, in milliseconds. */
const LONGEST_END = 2800
const servers = new Servers(join(home, 'packages/server', isDev ? 'dist-dev' : 'dist', 'server.js'))
/** What runs: the database, where it is a private one, and the bundler of developers. */
const run = { cluster: undefined, develop: undefined, isStopping: false }
let giveBack = () => undefined

async function stop(code) {
  if (run.isStopping) return
  run.isStopping = true
  const began = Date.now()
  await servers.stop()
  await run.develop?.close()
  run.cluster?.stop(Math.max(500, LONGEST_END - (Date.now() - began)))
  giveBack()
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0))

/** Returns the ports of the servers: in development the pages' own server stands before the other; else a proxy, where there are several. */
async function portsOf({ SERVERS }, port) {
  if (!isDev && SERVERS === 1) return [port]
  return Promise.all(Array.from({ length: isDev ? 1 : SERVERS }, freePort))
}

async function databaseAt(folder) {
  console.log('Starting the database …')
  run.cluster = await startCluster(folder)
  createDatabase(run.cluster, 'otter')
  return run.cluster.url('otter')
}

async function start() {
  needRoom(home)
  await installNpmPackages()
  const settings = await settingsHere()
  const port = settings.PORT || (await freePort())
  await claimPort(port, isDev ? 'npm run dev' : 'npm start')
  const ports = await portsOf(settings, port)
  const folder = settings.OTTER_DATA ?? join(home, '.data')
  giveBack = claimFolder(folder)
  needRoom(folder)
  if (isDev) run.develop = await (await import('../develop.mjs')).develop(port, ports[0], () => servers.restart())
  else await (await import('../build.mjs')).build()
  const url = settings.DATABASE_URL ?? (await databaseAt(folder))
  if (run.isStopping) return
  const operator = settings.OPERATOR_SECRET ?? secretOf(folder, 'operator-secret')
  const env = {
    ...process.env,
    DATABASE_URL: url,
    SESSION_SECRET: settings.SESSION_SECRET ?? secretOf(folder, 'secret'),
    OPERATOR_SECRET: operator,
    LOCAL_ADDRESS: `http://localhost:${port}`,
    WEB_FOLDER: join(home, 'dist', 'web'),
    NODE_ENV: 'production',
  }
  console.log(ports.length > 1 ? `Starting ${ports.length} servers …` : 'Starting the server …')
  // One after the other: the first one brings the database up to date.
  for (const [place, serverPort] of ports.entries()) await servers.serve(place, { ...env, PORT: String(serverPort) })
  if (ports.length > 1) await startProxy(port, ports)
  await run.develop?.listen()
  if (run.isStopping) return
  greet(settings, port, operator)
  await watch(run, folder)
}

function greet(settings, port, operator) {
  console.log(`\nJolly Otter is at http://localhost:${port}`)
  if (settings.SAMPLE_DATA === '1')
    console.log(
      'Sign in with the button "Look around as Ines Okafor", or as ines@harlowquay.example with the password otters-hold-hands.',
    )
  if (settings.SMTP_URL === undefined)
    console.log(
      `Mails are not sent; read them, on this machine alone, at http://localhost:${port}/operator#${operator}`,
    )
  console.log('Ctrl-C stops it.\n')
}

start().catch((error) => {
  console.error(
    error instanceof Advice
      ? error.message
      : error.code === 'ENOSPC'
        ? 'The disk is full. Make room and try again.'
        : error,
  )
  void stop(1)
})
