/** @jsxRuntime automatic */
import { versionSeed } from '@otter/api'
import { gameOf, randomFrom } from '@otter/core'
import { Document, renderToBuffer } from '@react-pdf/renderer'
import QRCode from 'qrcode'
import { PrintedPage } from './PrintedPage.tsx'
import type { SheetsWork } from './tasks.ts'

/** Share of the work that lies in making the puzzles. */
const MADE = 0.6

/** Renders all versions of a game as one PDF: the students' pages first, then the keys. */
export async function renderSheets({ list, sheets, address, pictures, progress }: SheetsWork): Promise<Uint8Array> {
  const { kind, options, seed, versions, paper, key, saveInk } = sheets
  const game = gameOf(kind)
  const made = Array.from({ length: versions }, (_, index) => {
    const own = versionSeed(seed, index + 1)
    const puzzle = game.make(list, options, randomFrom(own))
    progress.postMessage(((index + 1) / versions) * MADE)
    return { seed: own, version: index + 1, puzzle }
  })
  const qr = address === undefined ? undefined : qrSquares(address)
  const pages = (key ? [false, true] : [false]).flatMap((isKey) => made.flatMap(({ puzzle, ...one }) => game.sheet(puzzle, isKey).map(({ blocks, bare = false }, index) => (
    <PrintedPage key={`${one.version} ${isKey} ${index}`} title={list.title} {...one} blocks={blocks} bare={bare} versions={versions} paper={paper} isKey={isKey} qr={qr} address={address} saveInk={saveInk} pictures={pictures} />
  ))))
  return renderToBuffer(<Document title={list.title} creator="Jolly Otter" producer="Jolly Otter">{pages}</Document>)
}

function qrSquares(text: string): boolean[][] {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  return Array.from({ length: modules.size }, (_, row) => Array.from({ length: modules.size }, (_, col) => Boolean(modules.get(row, col))))
}
