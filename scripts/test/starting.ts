import { spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  realpathSync,
  rmSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { home } from '../install.mjs'

export const isRoot = process.getuid?.() === 0
export const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, milliseconds))

/** A start command that runs. */
export interface Started {
  child: ChildProcess
  /** All that it has said up to now. */
  said: () => string
  /** Forgets what was said. */
  forget: () => void
  /** What it had said when it was ready, or when it ended. */
  told: Promise<string>
  /** Its exit code, once it has ended. */
  closed: Promise<number | null>
}

/** Runs a command, and hears what it says. */
export function hear(command: string, args: readonly string[], env: NodeJS.ProcessEnv): Started {
  const child = spawn(command, args, {
    env: { ...process.env, DATABASE_URL: '', NODE_ENV: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  const closed = new Promise<number | null>((resolve) => child.once('exit', resolve))
  const told = new Promise<string>((resolve) => {
    const listen = (chunk: Buffer): void => {
      said += chunk.toString()
      if (said.includes('Ctrl-C stops it')) resolve(said)
    }
    child.stdout.on('data', listen)
    child.stderr.on('data', listen)
    void closed.then(() => resolve(said))
  })
  return { child, said: () => said, forget: () => (said = ''), told, closed }
}

/** Runs the start command, by this Node.js or another. */
export function start(env: NodeJS.ProcessEnv, args: readonly string[] = [], node = process.execPath): Started {
  return hear(node, [join(home, 'scripts/start.mjs'), ...args], env)
}

/**
 * A machine on which nothing of ours was ever started: its /var/lib is empty, new folders are for their owner alone,
 * and what is kept lies below folders that only we can enter. Without the rights for that it is the machine as it is.
 */
export class FreshMachine {
  readonly folder = mkdtempSync(join(tmpdir(), 'otter-fresh-'))
  /** A folder for data that nobody else can reach. */
  readonly data = join(this.folder, 'home', 'data')
  private readonly state = join(this.folder, 'var-lib')

  constructor() {
    mkdirSync(this.state)
    mkdirSync(this.data, { recursive: true })
    for (const folder of [this.folder, this.state]) chmodSync(folder, 0o755)
    for (const folder of [join(this.data, '..'), this.data]) chmodSync(folder, 0o700)
  }

  /** Runs a program of Node.js there. */
  run(env: NodeJS.ProcessEnv, ...args: string[]): Started {
    const given = { OTTER_DATA: this.data, ...env }
    if (!isRoot) return hear(process.execPath, args, given)
    const there = 'mount --bind "$0" /var/lib && umask 077 && exec "$@"'
    return hear('unshare', ['--mount', 'sh', '-c', there, this.state, process.execPath, ...args], given)
  }

  /** Returns the process of the database that works for this machine's data; nothing where none does. */
  postgres(): number | undefined {
    return processes().find(({ cwd, args }) => cwd === this.databases() && !args.includes('postgres:'))?.pid
  }

  /** Returns what still works for its databases. */
  leftOver(): string[] {
    return processes()
      .filter(({ cwd }) => cwd === this.databases())
      .map(({ args }) => args)
  }

  private databases(): string {
    const place = realpathSync(this.data)
    // Seen from outside, what is bound to /var/lib there has the name that it has there.
    return isRoot
      ? join('/var/lib/jolly-otter', createHash('sha256').update(place).digest('hex').slice(0, 16), 'postgres')
      : join(place, 'postgres')
  }

  clear(): void {
    for (const { pid, cwd } of processes()) if (cwd === this.databases()) process.kill(pid, 'SIGKILL')
    rmSync(this.folder, { recursive: true, force: true })
  }
}

function processes(): { pid: number; cwd: string; args: string }[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/u.test(name))
    .flatMap((pid) => {
      try {
        const cwd = readlinkSync(`/proc/${pid}/cwd`)
        return [{ pid: Number(pid), cwd, args: readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ') }]
      } catch {
        // It has ended meanwhile, or is somebody else's.
        return []
      }
    })
}

/** Processes that a process has started, the oldest first. */
export function childrenOf(pid: number): number[] {
  return readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean).map(Number)
}

export function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return !/^State:\s+Z/mu.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}

/** Waits until something is so; throws with `told` where it never comes. */
export async function until(what: () => boolean | Promise<boolean>, told: () => string = () => ''): Promise<void> {
  for (let tries = 0; tries < 600; tries++) {
    if (await what()) return
    await pause(50)
  }
  throw new Error(`this never came: ${what.toString()}; what was said: ${told()}`)
}
