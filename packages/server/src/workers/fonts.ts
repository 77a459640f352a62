import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { inflateSync } from 'node:zlib'
import { Font } from '@react-pdf/renderer'

const require = createRequire(import.meta.url)

/** Faces in the order in which a letter is looked for; each comes in slices that hold some ranges of Unicode. */
const FACES = ['@fontsource/atkinson-hyperlegible-next', '@fontsource/rubik', '@fontsource/noto-sans-sc']
const DISPLAY = '@fontsource/young-serif'

interface Slice {
  family: string
  folder: string
  name: string
  ranges: [number, number][]
}

const registered = new Set<string>()
const files = new Map<string, string>()
let slices: Slice[] | undefined
let folderForSlices: string | undefined

/** Registers the slices that hold a text's letters; gives the families, best first, for `fontFamily`. */
export function familiesFor(text: string): string[] {
  slices ??= FACES.flatMap(slicesOf)
  const missing = new Set([...text].map((letter) => letter.codePointAt(0) ?? 0))
  const families: string[] = []
  for (const slice of slices) {
    const held = [...missing].filter((point) => slice.ranges.some(([first, last]) => point >= first && point <= last))
    if (held.length === 0 && families.length > 0) continue
    for (const point of held) missing.delete(point)
    register(slice)
    families.push(slice.family)
  }
  return families
}

/** Gives the font file that holds a letter, in the plain weight; the first face's where none does. */
export function fileFor(letter: string): string {
  const known = files.get(letter)
  if (known !== undefined) return known
  const [family] = familiesFor(letter).slice(-1)
  const file = join(folderForSlices ?? '', `${family}-400.ttf`)
  files.set(letter, file)
  return file
}

/** The face of headings, with the text's own faces behind it for letters it lacks. */
export function displayFamiliesFor(text: string): string[] {
  const [latin] = slicesOf(DISPLAY).filter(({ name }) => name === 'latin')
  register(latin)
  return [latin.family, ...familiesFor(text)]
}

function slicesOf(pack: string): Slice[] {
  const folder = dirname(require.resolve(`${pack}/package.json`))
  const ranges = JSON.parse(readFileSync(join(folder, 'unicode.json'), 'utf8')) as Record<string, string>
  const short = pack.slice(pack.indexOf('/') + 1)
  const all = Object.entries(ranges).map(([key, value]): Slice => {
    const name = key.replace(/[[\]]/g, '')
    return { family: `${short}-${name}`, folder, name: `${short}-${name}`, ranges: value.split(',').map(parseRange) }
  }).map((slice) => ({ ...slice, name: slice.name.slice(short.length + 1) }))
  return all.sort((one, other) => Number(other.name === 'latin') - Number(one.name === 'latin'))
}

function parseRange(range: string): [number, number] {
  const [first, last = first] = range.trim().replace('U+', '').split('-')
  return [Number.parseInt(first, 16), Number.parseInt(last, 16)]
}

function register({ family, folder, name }: Slice): void {
  if (registered.has(family)) return
  folderForSlices ??= mkdtempSync(join(tmpdir(), 'otter-fonts-'))
  const short = family.slice(0, -name.length - 1)
  const fonts = ([[400, 400], [700, family.startsWith('young-serif') ? 400 : 700]] as const).map(([fontWeight, file]) => {
    const path = join(folderForSlices ?? '', `${family}-${fontWeight}.ttf`)
    writeFileSync(path, unpackWoff(readFileSync(join(folder, 'files', `${short}-${name}-${file}-normal.woff`))))
    return { src: path, fontWeight }
  })
  Font.register({ family, fonts })
  registered.add(family)
}

/** Unpacks a WOFF 1.0 file (W3C Recommendation) to the font it holds. */
function unpackWoff(woff: Buffer): Buffer {
  const tables = woff.readUInt16BE(12)
  const header = 12 + tables * 16
  const parts: Buffer[] = []
  const directory = Buffer.alloc(header)
  const power = 2 ** Math.floor(Math.log2(tables))
  directory.writeUInt32BE(woff.readUInt32BE(4), 0)
  directory.writeUInt16BE(tables, 4)
  directory.writeUInt16BE(power * 16, 6)
  directory.writeUInt16BE(Math.log2(power), 8)
  directory.writeUInt16BE((tables - power) * 16, 10)
  let offset = header
  for (let index = 0; index < tables; index++) {
    const at = 44 + index * 20
    const start = woff.readUInt32BE(at + 4)
    const packed = woff.subarray(start, start + woff.readUInt32BE(at + 8))
    const length = woff.readUInt32BE(at + 12)
    const table = packed.length < length ? inflateSync(packed) : packed
    const entry = 12 + index * 16
    woff.copy(directory, entry, at, at + 4)
    directory.writeUInt32BE(woff.readUInt32BE(at + 16), entry + 4)
    directory.writeUInt32BE(offset, entry + 8)
    directory.writeUInt32BE(length, entry + 12)
    const padding = (4 - (length % 4)) % 4
    parts.push(table, Buffer.alloc(padding))
    offset += length + padding
  }
  return Buffer.concat([directory, ...parts])
}
