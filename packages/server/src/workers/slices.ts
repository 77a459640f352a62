import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const require = createRequire(import.meta.url)

/** A part of a face: the letters of some ranges of Unicode. */
export interface Slice {
  family: string
  folder: string
  name: string
  ranges: [number, number][]
}

/** Returns the slices of a face, that of Latin letters first. */
export function slicesOf(pack: string): Slice[] {
  const folder = dirname(require.resolve(`${pack}/package.json`))
  const ranges = JSON.parse(readFileSync(join(folder, 'unicode.json'), 'utf8')) as Record<string, string>
  const short = pack.slice(pack.indexOf('/') + 1)
  const all = Object.entries(ranges)
    .map(([key, value]): Slice => {
      const name = key.replace(/[[\]]/g, '')
      return { family: `${short}-${name}`, folder, name: `${short}-${name}`, ranges: value.split(',').map(parseRange) }
    })
    .map((slice) => ({ ...slice, name: slice.name.slice(short.length + 1) }))
  return all.sort((one, other) => Number(other.name === 'latin') - Number(one.name === 'latin'))
}

function parseRange(range: string): [number, number] {
  const [first, last = first] = range.trim().replace('U+', '').split('-')
  return [Number.parseInt(first!, 16), Number.parseInt(last!, 16)]
}
