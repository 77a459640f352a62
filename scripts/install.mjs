// Installs npm packages where the lockfile has changed since the last time. Node built-ins only.
import './nodeVersion.mjs'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Advice } from './advice.mjs'
import { runWhole } from './runWhole.mjs'

/** Folder of the repository. */
export const home = fileURLToPath(new URL('..', import.meta.url))

/** Throws an Advice where the packages can't be installed. */
export async function installNpmPackages() {
  const hash = createHash('sha256')
    .update(readFileSync(join(home, 'package-lock.json')))
    .digest('hex')
  const stamp = join(home, 'node_modules', '.otter-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  console.log('Installing packages … (once, about a minute)')
  const { code, output } = await runWhole(
    'npm',
    ['ci', '--no-fund', '--no-audit', '--loglevel=error', '--fetch-retry-mintimeout=2000'],
    { cwd: home },
  )
  if (code !== 0) throw new Advice(adviceOn(output))
  writeFileSync(stamp, hash)
}

function adviceOn(said) {
  if (/spawn npm ENOENT/u.test(said)) return 'npm is missing. Install it beside Node.js and try again.'
  if (/ENOSPC/u.test(said)) return 'The disk is full. Make room and try again.'
  if (/ENOTFOUND|EAI_AGAIN|ECONNREFUSED|ECONNRESET|ETIMEDOUT|ENETUNREACH|EHOSTUNREACH|ERR_SOCKET_TIMEOUT/u.test(said))
    return 'The packages can\'t be fetched: the npm registry is not reachable from here. Connect to the network, or set its address with "npm config set registry", and try again.'
  if (/EACCES|EPERM|EROFS/u.test(said))
    return `The packages can't be kept in ${home}: its folder can't be written to. Take a folder of your own, and try again.`
  return `${said.trim()}\nThe packages could not be installed: npm says why in the lines above.`
}
