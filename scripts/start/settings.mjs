// The settings of this installation, read by the server's own rules.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Advice } from '../advice.mjs'
import { home } from '../install.mjs'

/** Returns the settings; throws an Advice with a sentence for each that can't be used. */
export async function settingsHere() {
  const { build } = await import('esbuild')
  const outfile = join(home, 'dist', 'settings.mjs')
  mkdirSync(join(home, 'dist'), { recursive: true })
  await build({
    entryPoints: [join(home, 'packages/server/src/settings.ts')],
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    logLevel: 'error',
  })
  const { readSettings, WrongSettings } = await import(pathToFileURL(outfile).href)
  try {
    return readSettings(process.env)
  } catch (error) {
    throw error instanceof WrongSettings ? new Advice(error.message) : error
  }
}
