import { fork, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { closeSync, fsyncSync, openSync, readdirSync, readFileSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import pg from 'pg'

const HOME = fileURLToPath(new URL('../../../', import.meta.url))
const COLLECTING = ['--expose-gc', '--import', `${HOME}bench/collecting.mjs`]

/** A server under measurement, as a process of its own. */
export interface Measured {
  url: string
  pid: number
  /** Returns what is held once garbage is collected, in bytes. */
  held: () => Promise<number>
  stop: () => Promise<void>
}

/** How long it takes to write a page and be sure that the disk has it, in milliseconds. */
export function fsyncTimes(): number[] {
  const file = join(tmpdir(), `otter-fsync-${process.pid}`)
  const handle = openSync(file, 'w')
  const page = Buffer.alloc(8192, 1)
  const times = Array.from({ length: 200 }, () => {
    const from = performance.now()
    writeSync(handle, page)
    fsyncSync(handle)
    return performance.now() - from
  })
  closeSync(handle)
  rmSync(file)
  return times
}

export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.min(sorted.length - 1, Math.floor((sorted.length * share) / 100))] ?? NaN
}

export function told(times: readonly number[]): string {
  return [50, 95, 99].map((share) => `p${share} ${percentile(times, share).toFixed(1)}`).join(', ') + ' ms'
}

async function createDatabase(): Promise<string> {
  const cluster = process.env.TEST_CLUSTER_URL ?? ''
  const name = `bench_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  await admin.end()
  return `${cluster}/${name}`
}

function readied(child: ChildProcess): Promise<number> {
  return new Promise((resolve, reject) => {
    child.once('exit', () => reject(new Error('a server did not start')))
    child.once('message', (message) => resolve((message as { ready: number }).ready))
  })
}

async function measured(child: ChildProcess): Promise<Measured> {
  const port = await readied(child)
  child.removeAllListeners('exit')
  return {
    url: `http://127.0.0.1:${port}`,
    pid: child.pid!,
    held: async () => {
      const told = new Promise<number>((resolve) =>
        child.once('message', (message) => resolve((message as { held: number }).held)),
      )
      child.send('collect')
      return told
    },
    stop: async () => {
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      await gone
    },
  }
}

export async function startServer(): Promise<Measured> {
  return measured(
    fork(`${HOME}packages/server/dist/server.js`, {
      execArgv: COLLECTING,
      env: {
        ...process.env,
        DATABASE_URL: await createDatabase(),
        PORT: '0',
        SAMPLE_DATA: '0',
        SESSION_SECRET: 'for benchmarks alone',
        WEB_FOLDER: `${HOME}dist/web`,
      },
    }),
  )
}

export async function startBare(): Promise<Measured> {
  return measured(
    fork(fileURLToPath(import.meta.url), ['bare-server'], {
      execArgv: COLLECTING,
      env: { ...process.env, DATABASE_URL: await createDatabase() },
    }),
  )
}

/** Time that a process has worked, in seconds, and the memory that it holds, in bytes. */
export function usage(pid: number): { seconds: number; bytes: number } {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  const [, kilobytes] = /VmRSS:\s+(\d+)/u.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))!
  return { seconds: (Number(fields[11]) + Number(fields[12])) / 100, bytes: Number(kilobytes) * 1024 }
}

/** Returns the time that the database's processes have worked, in seconds. */
export async function databaseSeconds(): Promise<number> {
  const client = new pg.Client({ connectionString: `${process.env.TEST_CLUSTER_URL ?? ''}/postgres` })
  await client.connect()
  const { rows } = await client.query<{ pid: number }>('SELECT pg_backend_pid() AS pid')
  const parent = statOf(rows[0]!.pid)![1]
  await client.end()
  // With what those have worked that are gone.
  const gone = statOf(Number(parent))!
  const stats = readdirSync('/proc').map((name) => (/^\d+$/u.test(name) ? statOf(Number(name)) : undefined))
  return stats.reduce(
    (sum, stat) => sum + (stat && stat[1] === parent ? (Number(stat[11]) + Number(stat[12])) / 100 : 0),
    (Number(gone[13]) + Number(gone[14])) / 100,
  )
}

/** Returns what the kernel says of a process, from its state on; undefined where it is gone. */
function statOf(pid: number): string[] | undefined {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  } catch {
    return undefined
  }
}
