// The data folder of an installation: its room, its secrets, and who uses it. Node built-ins only.
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Advice } from '../advice.mjs'

/** Room on the disk without which nothing is begun, in bytes. */
const LEAST_ROOM = 300 * 2 ** 20

export const inMegabytes = (bytes) => Math.round(bytes / 2 ** 20)

/** Returns how much room is left where a folder lies, in bytes. */
export function roomAt(folder) {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

/** Throws an Advice where the disk of a folder has too little room to begin. */
export function needRoom(folder) {
  const room = roomAt(folder)
  if (room < LEAST_ROOM)
    throw new Advice(
      `The disk of ${folder} is nearly full: ${inMegabytes(room)} MB are left, ${inMegabytes(LEAST_ROOM)} MB are needed. Make room and try again.`,
    )
}

/**
 * Makes a data folder this run's own: one run at a time uses it, and a run that was killed leaves the number of a process that
 * is gone. Returns how it is given back; throws an Advice where another uses it.
 */
export function claimFolder(folder) {
  try {
    mkdirSync(folder, { recursive: true })
  } catch (error) {
    throw new Advice(`The folder ${folder} can't be made (${error.code}). Set OTTER_DATA to one that you can write to.`)
  }
  const mark = join(folder, 'running')
  if (existsSync(mark) && isStart(Number(readFileSync(mark, 'utf8'))))
    throw new Advice(
      'Jolly Otter is running from this folder already. Stop it first, or set OTTER_DATA to another folder.',
    )
  writeFileSync(mark, String(process.pid))
  return () => rmSync(mark, { force: true })
}

function isStart(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')
  } catch {
    // It is gone.
    return false
  }
}

/** Returns a secret of an installation; made when it is first asked for. */
export function secretOf(folder, name) {
  const file = join(folder, name)
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}
