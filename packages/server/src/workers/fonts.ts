import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Font } from '@react-pdf/renderer'
import { GatheredFont } from './gatheredFont.ts'
import { slicesOf, type Slice } from './slices.ts'
import { unpackWoff } from './woff.ts'

/** Faces in the order in which a letter is looked for; each comes in slices that hold some ranges of Unicode. */
const FACES = ['@fontsource/atkinson-hyperlegible-next', '@fontsource/rubik']
/**
 * The face of Chinese and Japanese letters comes in a hundred slices: what a document needs of it is put together as
 * one font.
 */
const HAN = '@fontsource/noto-sans-sc'
const DISPLAY = '@fontsource/young-serif'

const registered = new Set<string>()
const gathered = new GatheredFont(HAN)
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
  const { family } = gathered
  return family !== undefined && [...missing].some((point) => gathered.has(point)) ? [...families, family] : families
}

/** Gets the letters of a whole document ready: those that come in many slices are gathered into one font. */
export function prepareLetters(text: string): void {
  slices ??= FACES.flatMap(slicesOf)
  const points = new Set([...text].map((letter) => letter.codePointAt(0) ?? 0))
  const missing = [...points].filter(
    (point) => !slices?.some(({ ranges }) => ranges.some(([first, last]) => point >= first && point <= last)),
  )
  folderForSlices ??= mkdtempSync(join(tmpdir(), 'otter-fonts-'))
  gathered.gather(missing, folderForSlices)
}

/** Returns the font file that holds a letter, in the plain weight; the first face's where none does. */
export function fileFor(letter: string): string {
  const known = files.get(letter)
  if (known !== undefined) return known
  const [family] = familiesFor(letter).slice(-1)
  const file = join(folderForSlices ?? '', `${family}-400.ttf`)
  // What is gathered anew for each document is not remembered.
  if (family !== gathered.family) files.set(letter, file)
  return file
}

/** The face of headings, with the text's own faces behind it for letters it lacks. */
export function displayFamiliesFor(text: string): string[] {
  const [latin] = slicesOf(DISPLAY).filter(({ name }) => name === 'latin')
  register(latin!)
  return [latin!.family, ...familiesFor(text)]
}

function register({ family, folder, name }: Slice): void {
  if (registered.has(family)) return
  folderForSlices ??= mkdtempSync(join(tmpdir(), 'otter-fonts-'))
  const short = family.slice(0, -name.length - 1)
  const fonts = (
    [
      [400, 400],
      [700, family.startsWith('young-serif') ? 400 : 700],
    ] as const
  ).map(([fontWeight, file]) => {
    const path = join(folderForSlices ?? '', `${family}-${fontWeight}.ttf`)
    writeFileSync(path, unpackWoff(readFileSync(join(folder, 'files', `${short}-${name}-${file}-normal.woff`))))
    return { src: path, fontWeight }
  })
  Font.register({ family, fonts })
  registered.add(family)
}
