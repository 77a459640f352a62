// Benchmarks; each prints figures against a baseline of the same run.
import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { alias } from './aliases.mjs'
import { home, installNpmPackages } from './install.mjs'
import { startCluster } from './postgres/cluster.mjs'

await installNpmPackages()
const { build: buildAll } = await import('./build.mjs')
await buildAll()
const { build } = await import('esbuild')
const outfile = join(home, 'packages/server/dist', 'bench.mjs')
await build({
  entryPoints: [join(home, 'bench/main.ts')],
  outfile,
  bundle: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
  jsx: 'automatic',
  alias,
})
const folder = mkdtempSync(join(tmpdir(), 'otter-bench-'))
chmodSync(folder, 0o711)
// What is acknowledged live must be on the disk; all else is measured without waiting for it.
const cluster = await startCluster(folder, { throwAway: process.argv[2] !== 'live' })
const child = spawn(process.execPath, [outfile, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production', TEST_CLUSTER_URL: cluster.url('').replace(/\/$/, '') },
})
child.once('close', (code) => {
  cluster.stop()
  rmSync(folder, { recursive: true, force: true })
  process.exitCode = code ?? 1
})
