// Bundles tests, the server and its worker threads once for a run: plain JavaScript starts at once, and many times.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { SERVER_BUNDLE } from '../build.mjs'
import { home } from '../install.mjs'

/** Finds the worker beside itself, where the bundle is. */
const FINDS_ITS_WORKER = /\/workers\/pool\.ts$/u

/** Lets a module know where its source lies, from which it finds files and packages; `change` changes its text before. */
const whereItLies = (change) => ({
  name: 'where-it-lies',
  setup: (bundle) =>
    bundle.onLoad({ filter: /\/(packages|scripts)\/.*\.(tsx?|mjs)$/ }, ({ path }) => {
      const before = readFileSync(path, 'utf8')
      const text = change(path, before)
      const isToLearn = text.includes('import.meta') && !FINDS_ITS_WORKER.test(path)
      if (text === before && !isToLearn) return undefined
      const contents = isToLearn
        ? text
            .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href))
            .replaceAll('import.meta.dirname', JSON.stringify(dirname(path)))
        : text
      return { contents, loader: path.endsWith('x') ? 'tsx' : path.endsWith('.ts') ? 'ts' : 'js' }
    }),
})

/**
 * Bundles files of tests into a folder of this run, from which packages are found as from the server. Returns the folder,
 * the path of each bundled file, and how the folder is taken away. `change` changes the text of sources, `banner` is what each
 * file begins with.
 */
export async function bundleTests(files, { change = (_path, text) => text, banner = '' } = {}) {
  const { build } = await import('esbuild')
  const outdir = join(home, 'packages/server', `dist-test-${process.pid}`)
  mkdirSync(outdir, { recursive: true })
  const nameOf = (file) => file.replaceAll('/', '-').replace(/\.ts$/u, '')
  await build({
    ...SERVER_BUNDLE,
    entryPoints: {
      ...SERVER_BUNDLE.entryPoints,
      ...Object.fromEntries(files.map((file) => [nameOf(file), join(home, file)])),
    },
    outdir,
    sourcemap: 'inline',
    sourcesContent: false,
    plugins: [whereItLies(change)],
    banner: { js: banner },
  })
  return {
    outdir,
    bundled: files.map((file) => join(outdir, `${nameOf(file)}.js`)),
    clear: () => rmSync(outdir, { recursive: true, force: true }),
  }
}
