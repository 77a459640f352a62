// Builds the web pages and the server into dist/; skipped where no source is newer than the last build.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { Advice } from './advice.mjs'
import { alias } from './aliases.mjs'
import { home } from './install.mjs'
import { runWhole } from './runWhole.mjs'

const stamp = join(home, 'dist', '.built')

/** How the server is bundled; its own packages are found from where the bundle lies. */
export const SERVER_BUNDLE = {
  entryPoints: {
    server: join(home, 'packages/server/src/main.ts'),
    worker: join(home, 'packages/server/src/workers/entry.ts'),
  },
  outdir: join(home, 'packages/server/dist'),
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  alias,
  jsx: 'automatic',
  logLevel: 'error',
  chunkNames: 'chunk-[hash]',
}

function newest(folder) {
  let latest = 0
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }
  return latest
}

/** Packs what is text, for browsers that unpack Brotli or gzip: once here instead of at each request. */
function pack(folder) {
  for (const name of readdirSync(folder)) {
    if (!/\.(js|css|svg|json|wasm)$/u.test(name)) continue
    const path = join(folder, name)
    const bytes = readFileSync(path)
    writeFileSync(`${path}.br`, brotliCompressSync(bytes))
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }))
  }
}

export async function build() {
  const sources = ['core', 'api', 'server', 'web'].map((name) => newest(join(home, 'packages', name, 'src')))
  const settings = [
    'package-lock.json',
    'packages/web/vite.config.ts',
    'packages/web/index.html',
    'packages/web/play.html',
  ].map((file) => statSync(join(home, file)).mtimeMs)
  if (
    existsSync(stamp) &&
    existsSync(join(home, 'packages/server/dist/server.js')) &&
    statSync(stamp).mtimeMs > Math.max(...sources, ...settings)
  )
    return
  console.log('Building pages and server … (after each change of the program, about half a minute)')
  const { build: bundle } = await import('esbuild')
  rmSync(join(home, 'packages/server/dist'), { recursive: true, force: true })
  mkdirSync(join(home, 'dist'), { recursive: true })
  await bundle(SERVER_BUNDLE).catch(({ message }) => {
    throw new Advice(`The build failed: ${message}`)
  })
  const vite = [join(home, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error']
  const { code, output } = await runWhole(process.execPath, vite, { cwd: join(home, 'packages/web') })
  if (code !== 0) throw new Advice(`The build failed: ${output.trim()}`)
  pack(join(home, 'dist/web/assets'))
  writeFileSync(stamp, '')
}
