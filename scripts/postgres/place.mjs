// Where the cluster of a data folder lies. Node built-ins only.
import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, realpathSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { Advice } from '../advice.mjs'
import { endLeftOver } from './leftOver.mjs'
import { asOrdinary, isRoot, makeOpenFolder, run, USER } from './programs.mjs'

/** Where clusters lie whose data folder the database's user can't reach, such as one in root's own home. */
const REACHABLE = '/var/lib/jolly-otter'

/**
 * Returns where a data folder's cluster lies, made and owned by who runs it. One of before is moved along, with its data.
 */
export function placeOf(folder) {
  const here = join(folder, 'postgres')
  mkdirSync(folder, { recursive: true })
  if (!isRoot) return here
  const holder = join(REACHABLE, createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 16))
  const there = join(holder, 'postgres')
  if (!existsSync(there) && own(here)) return here
  makeOpenFolder(REACHABLE)
  makeOpenFolder(holder)
  if (existsSync(join(here, 'PG_VERSION')) && !existsSync(join(there, 'PG_VERSION'))) {
    endLeftOver(here)
    rmSync(there, { recursive: true, force: true })
    try {
      renameSync(here, there)
    } catch {
      // On another disk: copied first, so that nothing is lost where there is no room.
      cpSync(here, there, { recursive: true, preserveTimestamps: true })
      rmSync(here, { recursive: true, force: true })
    }
  } else rmSync(here, { recursive: true, force: true })
  if (!own(there))
    throw new Advice(
      `The database can't be kept in ${there}: the user ${USER} can't write there. Set OTTER_DATA to a folder that it can reach.`,
    )
  return there
}

/** Makes a folder the database's own; tells whether it can be written to from there. */
function own(data) {
  mkdirSync(data, { recursive: true, mode: 0o700 })
  return run('chown', ['-R', `${USER}:${USER}`, data]).status === 0 && asOrdinary('test', ['-w', data]).status === 0
}
