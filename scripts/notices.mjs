// Writes the licences of all software that ships with the application: notices [--check]
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const home = fileURLToPath(new URL('..', import.meta.url))
const file = join(home, 'packages/web/public/notices.txt')

/** Packages that ship, by the lockfile: all but those for development alone, and the house's own. */
function shippedPackages() {
  const { packages } = JSON.parse(readFileSync(join(home, 'package-lock.json'), 'utf8'))
  return Object.entries(packages)
    .filter(([path, { dev, link }]) => path.includes('node_modules/') && !dev && !link)
    .map(([path, { version, license, os, cpu }]) => ({
      path,
      name: path.slice(path.lastIndexOf('node_modules/') + 13),
      version,
      license: license ?? 'see the text',
      platform: Boolean(os ?? cpu),
    }))
    .sort((one, other) =>
      one.name < other.name ? -1 : one.name > other.name ? 1 : one.version < other.version ? -1 : 1,
    )
}

/** Texts of licences and notices that lie in a package. */
function textsOf(path) {
  const folder = join(home, path)
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => /^(licen[cs]e|copying|notice|ofl)([.-].*)?$/iu.test(name) && !/\.(js|ts|json)$/u.test(name))
    .sort()
    .map((name) => readFileSync(join(folder, name), 'utf8').replace(/\r\n?/gu, '\n').trim())
}

/** Returns the notices as one text: each licence once, under the names of all that it holds for. */
export function notices() {
  const heads = new Map()
  const platforms = new Map()
  for (const { path, name, version, license, platform } of shippedPackages()) {
    if (platform) {
      // Built for one system each: their names and licences are told, whichever is installed.
      platforms.set(license, [...(platforms.get(license) ?? []), name])
      continue
    }
    const text = textsOf(path).join('\n\n') || `Licence: ${license}. The package holds no text of it.`
    heads.set(text, [...(heads.get(text) ?? []), `${name} ${version} (${license})`])
  }
  const parts = [
    'Software in Jolly Otter that others have written, with its licences.',
    [
      'Built for each system; of these, what an installation needs is in it:',
      ...[...platforms].sort().map(([license, names]) => `${license}: ${[...new Set(names)].sort().join(', ')}`),
      'Libraries under the LGPL are separate files that can be replaced; their sources are at the addresses that their packages name.',
    ].join('\n'),
    ...[...heads].map(([text, names]) => `${names.join('\n')}\n\n${text}`),
  ]
  return `${parts.join(`\n\n${'-'.repeat(80)}\n\n`)}\n`
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const text = notices()
  if (process.argv.includes('--check')) {
    if (readFileSync(file, 'utf8') !== text) {
      console.error('The notices of the packages have changed: npm run notices writes them.')
      process.exitCode = 1
    }
  } else writeFileSync(file, text)
}
