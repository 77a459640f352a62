import sharp, { type Metadata } from 'sharp'
import { Problem } from '../problem.ts'

/** Longest side of a stored picture, and most that a sent one may have in all; in pixels. */
const LONGEST_SIDE = 1024
const MAX_PIXELS = 60_000_000
const QUALITY = 82
/** Side of a drawing on paper: 300 dots to the inch at 36 millimetres. */
const DRAWN_SIDE = 425
const TAKEN = new Set(['jpeg', 'png', 'webp', 'gif', 'heif'])

/** A picture as it is stored. */
export interface EncodedPicture {
  bytes: Buffer
  type: 'image/jpeg' | 'image/png'
}

/**
 * Reads a picture by its content and writes it anew: upright, at most 1024 pixels long, without metadata; as PNG where
 * parts of it are see-through, else as JPEG. Throws a Problem where it is none, or too large.
 */
export async function encodePicture(bytes: Buffer): Promise<EncodedPicture> {
  // The head alone is read here, so that a picture of any size can be refused for its size.
  const {
    format,
    hasAlpha,
    width = 0,
    height = 0,
  } = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch((): Partial<Metadata> => ({}))
  if (format === 'svg' || /<svg[\s>]/iu.test(bytes.toString('latin1', 0, 2000))) throw new Problem(415, 'no-svg')
  if (format === undefined || !TAKEN.has(format)) throw new Problem(415, 'no-picture')
  if (width * height > MAX_PIXELS)
    throw new Problem(413, 'too-many-pixels', {
      values: { pixels: Math.round((width * height) / 1e6), most: MAX_PIXELS / 1e6 },
    })
  try {
    const scaled = sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
    if (hasAlpha) return { bytes: await scaled.png({ palette: true, quality: 90 }).toBuffer(), type: 'image/png' }
    return { bytes: await scaled.jpeg({ quality: QUALITY, mozjpeg: true }).toBuffer(), type: 'image/jpeg' }
  } catch {
    throw new Problem(415, 'broken-picture')
  }
}

/**
 * Draws an SVG picture of ours as PNG, for paper. Without a palette: PDF writers lose colours of one with clear parts.
 */
export async function drawSvg(bytes: Buffer): Promise<Buffer> {
  return sharp(bytes, { density: 1200 })
    .resize({ width: DRAWN_SIDE, height: DRAWN_SIDE, fit: 'inside' })
    .png()
    .toBuffer()
}
