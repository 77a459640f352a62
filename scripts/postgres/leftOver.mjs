// What a run that was killed has left of its database. Node built-ins only.
import { existsSync, readdirSync, readFileSync, readlinkSync, realpathSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './programs.mjs'

/** How long the server of before may take to write what it holds, and what works alone to end; in looks. */
const LOOKS = 150
const LOOKS_ALONE = 25
const LOOK = '0.2'

/**
 * Ends the server of a cluster that a killed run has left, whoever it runs as, and what still works for one that was itself
 * killed: a long statement goes on without it, and holds the memory that the next server needs.
 */
export function endLeftOver(data) {
  if (!existsSync(data)) return
  const mark = join(data, 'postmaster.pid')
  const server = existsSync(mark) ? Number(readFileSync(mark, 'utf8').split('\n')[0]) : undefined
  const worksHere = processesIn(realpathSync(data))
  if (server !== undefined && worksHere().includes(server)) {
    // Fast shutdown.
    end([server], 'SIGINT')
    for (let looks = 0; looks < LOOKS && worksHere().includes(server); looks++) run('sleep', [LOOK])
  }
  end(worksHere(), 'SIGTERM')
  for (let looks = 0; looks < LOOKS_ALONE && worksHere().length > 0; looks++) run('sleep', [LOOK])
  // Nothing that was committed is lost: the next server reads its log.
  end(worksHere(), 'SIGKILL')
  while (worksHere().length > 0) run('sleep', [LOOK])
  rmSync(mark, { force: true })
}

/** Returns what tells the processes of a database: each works in its folder. */
function processesIn(folder) {
  const isOne = (pid) => {
    try {
      return (
        readlinkSync(`/proc/${pid}/cwd`) === folder && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('postgres')
      )
    } catch {
      // It has ended by itself, or is somebody else's.
      return false
    }
  }
  return () =>
    readdirSync('/proc')
      .filter((name) => /^\d+$/u.test(name) && isOne(name))
      .map(Number)
}

function end(pids, signal) {
  for (const pid of pids)
    try {
      process.kill(pid, signal)
    } catch {
      // It has ended by itself.
    }
}
