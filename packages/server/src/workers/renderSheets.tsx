/** @jsxRuntime automatic */
import { versionSeed } from '@otter/api'
import { gameOf } from '@otter/core'
import { Document, renderToBuffer } from '@react-pdf/renderer'
import QRCode from 'qrcode'
import { sheetWord } from '../texts.ts'
import { prepareLetters } from './fonts.ts'
import { PrintedPage, textOf } from './PrintedPage.tsx'
import type { SheetsTask } from './tasks.ts'

/** Words around the game, whose letters need a font too. */
const SHEET_WORDS = ['name', 'date', 'seed', 'rules', 'key', 'across', 'down', 'version'] as const

/** Renders all versions of a game as one PDF: the students' pages first, then the keys. */
export async function renderSheets(task: SheetsTask): Promise<Uint8Array> {
  const { kind, title, seed, rules, early, layout, address, pictures, puzzles } = task
  const { paper, key, saveInk, language } = layout
  const game = gameOf(kind)
  const made = puzzles.map((puzzle, index) => ({ seed: versionSeed(seed, index + 1), version: index + 1, puzzle }))
  const qr = address === undefined ? undefined : qrSquares(address)
  const sheetsOf = (key ? [false, true] : [false]).map((isKey) => ({
    isKey,
    versions: made.map(({ puzzle, ...one }) => ({ ...one, pages: game.sheet(puzzle, isKey) })),
  }))
  prepareLetters(
    title +
      sheetsOf
        .flatMap(({ versions: own }) => own.flatMap(({ pages }) => pages.flatMap(({ blocks }) => blocks.map(textOf))))
        .join('') +
      SHEET_WORDS.map((key) => sheetWord(language, key)).join(''),
  )
  const pages = sheetsOf.flatMap(({ isKey, versions: own }) =>
    own.flatMap(({ pages: printed, ...one }) =>
      printed.map(({ blocks, bare = false }, index) => (
        <PrintedPage
          key={`${one.version} ${isKey} ${index}`}
          title={title}
          {...one}
          blocks={blocks}
          bare={bare}
          versions={puzzles.length}
          rules={rules}
          paper={paper}
          isKey={isKey}
          qr={qr}
          address={address}
          saveInk={saveInk}
          early={early}
          language={language}
          pictures={pictures}
        />
      )),
    ),
  )
  return renderToBuffer(
    <Document title={title} creator="Jolly Otter" producer="Jolly Otter">
      {pages}
    </Document>,
  )
}

function qrSquares(text: string): boolean[][] {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (_, col) => Boolean(modules.get(row, col))),
  )
}
