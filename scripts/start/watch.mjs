// Looks after the private database and the disk while all runs. Node built-ins only.
import { setTimeout as pause } from 'node:timers/promises'
import { Advice } from '../advice.mjs'
import { startCluster } from '../postgres/cluster.mjs'
import { inMegabytes, roomAt } from './folder.mjs'
import { growingWaits } from './growingWaits.mjs'

/** How often the database and the disk are looked at, in milliseconds. */
const LOOK = 1000
/** Room on the disk below which it is said, in bytes. */
const LITTLE_ROOM = 100 * 2 ** 20

/**
 * Starts the database of `run` again whenever it ends by itself, and says when the disk fills up. `run` holds the
 * cluster, if it is a private one, and whether all is being stopped.
 */
export async function watch(run, folder) {
  const nextWait = growingWaits()
  let isLow = false
  while (!run.isStopping) {
    await pause(LOOK)
    const room = roomAt(run.cluster?.data ?? folder)
    if (room < LITTLE_ROOM && !isLow)
      console.error(
        `The disk is nearly full: ${inMegabytes(room)} MB are left. Make room, or nothing more can be saved.`,
      )
    isLow = room < LITTLE_ROOM
    if (!run.cluster || run.cluster.isAlive() || run.isStopping) continue
    const wait = nextWait()
    console.error(`The database stopped. What was saved is safe; it is started again in ${wait / 1000} s.`)
    await pause(wait)
    if (run.isStopping) return
    try {
      run.cluster = await startCluster(folder, { port: run.cluster.port })
      console.error('The database is back.')
    } catch (error) {
      console.error(error instanceof Advice ? error.message : error)
    }
  }
}
