// Installs npm packages where the lockfile has changed since the last time. Node built-ins only.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Advice } from './postgres.mjs'

/** Folder of the repository. */
export const home = fileURLToPath(new URL('..', import.meta.url))

export function installNpmPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Advice(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`)
  const hash = createHash('sha256')
    .update(readFileSync(join(home, 'package-lock.json')))
    .digest('hex')
  const stamp = join(home, 'node_modules', '.otter-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  console.log('Installing packages …')
  const { status } = spawnSync('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'], {
    cwd: home,
    stdio: 'inherit',
  })
  if (status !== 0)
    throw new Advice(
      'The packages could not be installed. Is the npm registry reachable, and is there room on the disk?',
    )
  writeFileSync(stamp, hash)
}
