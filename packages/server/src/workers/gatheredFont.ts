import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Font as PdfFont } from '@react-pdf/renderer'
import opentype, { type Font, type Glyph } from 'opentype.js'
import { slicesOf, type Slice } from './slices.ts'

/** Most slices that are kept opened. */
const MOST_OPEN = 40
/** Letters of a font: a format for 16-bit glyph numbers, with room to spare. */
const MOST_LETTERS = 20_000

/**
 * One font made of the letters that a document needs of a face in many slices. With a font for each slice, a page of
 * Chinese took five times as long as one of Latin, and each letter was looked for in dozens of fonts.
 */
export class GatheredFont {
  /** Name of the font last gathered; undefined where no letter was needed. */
  family: string | undefined
  private letters = new Set<number>()
  private made = 0
  private slices: Slice[] | undefined
  private readonly opened = new Map<string, Font>()
  private readonly pack: string

  /** @param pack name of the package that holds the face */
  constructor(pack: string) {
    this.pack = pack
  }

  has(point: number): boolean {
    return this.letters.has(point)
  }

  /** Makes the font of the letters among these code points, in a folder. */
  gather(points: readonly number[], folder: string): void {
    const glyphs = points.slice(0, MOST_LETTERS).flatMap((point) => this.glyphOf(point) ?? [])
    this.letters = new Set(glyphs.flatMap(({ unicode }) => unicode ?? []))
    // The last one was for another document, which is printed.
    if (this.family !== undefined) delete PdfFont.getRegisteredFonts()[this.family]
    this.family = undefined
    if (glyphs.length === 0) return
    const [like] = this.opened.values()
    const nothing = new opentype.Glyph({ name: '.notdef', advanceWidth: like!.unitsPerEm, path: new opentype.Path() })
    const font = new opentype.Font({
      familyName: 'Gathered',
      styleName: 'Regular',
      unitsPerEm: like!.unitsPerEm,
      ascender: like!.ascender,
      descender: like!.descender,
      glyphs: [nothing, ...glyphs],
    })
    this.family = `gathered-${++this.made}`
    const file = join(folder, `${this.family}-400.ttf`)
    writeFileSync(file, Buffer.from(font.toArrayBuffer()))
    PdfFont.register({ family: this.family, fonts: [400, 700].map((fontWeight) => ({ src: file, fontWeight })) })
  }

  private glyphOf(point: number): Glyph | undefined {
    this.slices ??= slicesOf(this.pack)
    const slice = this.slices.find(({ ranges }) => ranges.some(([first, last]) => point >= first && point <= last))
    if (!slice) return undefined
    const { path, advanceWidth, index } = this.open(slice).charToGlyph(String.fromCodePoint(point))
    // The first glyph of a font stands for letters that it lacks.
    return index === 0
      ? undefined
      : new opentype.Glyph({ name: `u${point.toString(16)}`, unicode: point, advanceWidth, path })
  }

  private open({ family, folder, name }: Slice): Font {
    const known = this.opened.get(family)
    if (known) return known
    const bytes = readFileSync(join(folder, 'files', `${family.slice(0, -name.length - 1)}-${name}-400-normal.woff`))
    const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength))
    const [oldest] = this.opened.keys()
    if (this.opened.size >= MOST_OPEN) this.opened.delete(oldest!)
    this.opened.set(family, font)
    return font
  }
}
