// Makes a puzzle from a file and prints it as JSON: generate GAME FILE.csv [options].
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { alias } from './aliases.mjs'
import { installNpmPackages, home } from './install.mjs'

console.log = console.error
await installNpmPackages()
const { build } = await import('esbuild')
const outfile = join(home, 'dist', 'generate-alone.mjs')
await build({
  entryPoints: [join(home, 'scripts/generate/main.ts')],
  outfile,
  bundle: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
  alias,
})
const { status } = spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd: process.env.INIT_CWD ?? process.cwd(),
})
process.exitCode = status ?? 1
