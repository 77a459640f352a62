/** @jsxRuntime automatic */
import { directionOf, type SheetGrid, type SheetSquare, type SheetTokens } from '@otter/core'
import { Canvas, Image, Text, View } from '@react-pdf/renderer'
import { fileFor } from './fonts.ts'
import { wrapHan } from './wrapHan.ts'
import { imageOf } from './imageOf.ts'
import { INK, QUIET, RULE, PALE } from './ink.ts'
import { LARGEST_TYPE, LARGEST, TALLEST } from './printedSizes.ts'

/** What is cut out and laid on a card. */
export function Tokens({
  tokens: { tokens },
  saveInk,
  pictures,
}: {
  tokens: SheetTokens
  saveInk: boolean
  pictures: Record<string, Uint8Array>
}) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginTop: 8 }}>
      {tokens.map((token, index) => (
        <Square key={index} square={token} side={84} saveInk={saveInk} pictures={pictures} />
      ))}
    </View>
  )
}

/** A square with a text or a picture. */
export function Square({
  square,
  side,
  height = side,
  saveInk,
  pictures,
}: {
  square: SheetSquare | null
  side: number
  height?: number
  saveInk: boolean
  pictures: Record<string, Uint8Array>
}) {
  const text = square?.text ?? '★'
  const picture = square?.picture !== undefined && square.picture in pictures ? pictures[square.picture] : undefined
  const size = Math.max(
    6,
    Math.min(
      LARGEST_TYPE,
      side * 0.2,
      height * 0.2,
      Math.sqrt((side * height) / (3.2 * Math.max(1, text.length))),
      (side * 1.3) / Math.max(...text.split(/\s+/u).map((word) => word.length)),
    ),
  )
  return (
    <View
      style={{
        width: side,
        height,
        borderWidth: 0.5,
        borderColor: QUIET,
        // Texts keep away from where the scissors go.
        padding: Math.max(4, Math.min(side, height) * 0.07),
        alignItems: 'center',
        justifyContent: 'center',
        overflow: 'hidden',
      }}
    >
      {picture ? (
        <Image
          src={imageOf(picture)}
          style={{ height: Math.min(side, height) * 0.5, objectFit: 'contain', opacity: saveInk ? PALE : 1 }}
        />
      ) : null}
      {square ? (
        <Text style={{ fontSize: size, textAlign: 'center', direction: directionOf(text) }}>
          {wrapHan(text, (side * 0.86) / size)}
        </Text>
      ) : (
        <View style={{ width: side * 0.35, height: side * 0.35, borderRadius: side, backgroundColor: RULE }} />
      )}
    </View>
  )
}

/** Drawn letter by letter on a canvas: laid out as text, a class set of grids took ten times as long. */
export function Grid({
  grid: { rows, cols, cells, lines, direction, framed },
  width,
  height,
  saveInk,
}: {
  grid: SheetGrid
  width: number
  height: number
  saveInk: boolean
}) {
  const cell = Math.min(
    framed ? LARGEST.framed : LARGEST.open,
    width / cols,
    Math.min(height, framed ? TALLEST.framed : TALLEST.open) / rows,
  )
  const left = (col: number): number => (direction === 'rtl' ? cols - 1 - col : col) * cell
  const paint = (painter: LetterPainter): null => {
    if (!framed)
      painter
        .lineWidth(0.75)
        .strokeColor(RULE)
        .rect(0, 0, cols * cell, rows * cell)
        .stroke()
    if (lines.length > 0) {
      painter
        .lineWidth(cell * (saveInk ? 0.05 : 0.72))
        .lineCap('round')
        .strokeColor(QUIET)
        .strokeOpacity(saveInk ? 1 : 0.28)
      for (const { row, col, toRow, toCol } of lines) {
        painter.moveTo(left(col) + cell / 2, (row + 0.5) * cell)
        painter.lineTo(left(toCol) + cell / 2, (toRow + 0.5) * cell).stroke()
      }
    }
    painter.fillColor(INK)
    let file = ''
    // Setting a font reads its file, even where it is the same again.
    const write = (text: string, x: number, y: number, size: number, align: 'center' | 'left'): void => {
      if (file !== (file = fileFor(text))) painter.font(file)
      painter.fontSize(size).text(text, x, y, { width: cell, align, lineBreak: false })
    }
    if (framed)
      painter
        .lineWidth(saveInk ? 0.35 : 0.8)
        .strokeColor(saveInk ? QUIET : INK)
        .strokeOpacity(1)
    cells.forEach((square, index) => {
      if (!square) return
      const x = left(index % cols)
      const y = Math.floor(index / cols) * cell
      if (framed) painter.rect(x, y, cell, cell).stroke()
      if (square.number !== undefined)
        write(String(square.number), x + cell * 0.07, y + cell * 0.04, cell * 0.27, 'left')
      if (square.text !== '') write(square.text, x, y + cell * (framed ? 0.22 : 0.14), cell * 0.6, 'center')
    })
    return null
  }
  return (
    <View style={{ alignItems: 'center' }}>
      <Canvas style={{ width: cols * cell, height: rows * cell }} paint={paint as never} />
    </View>
  )
}

/** Of a canvas painter, what the grid needs: it is PDFKit's document, which also sets type from a file. */
interface LetterPainter {
  lineWidth(width: number): LetterPainter
  lineCap(cap: 'round'): LetterPainter
  strokeColor(color: string): LetterPainter
  strokeOpacity(opacity: number): LetterPainter
  fillColor(color: string): LetterPainter
  rect(x: number, y: number, width: number, height: number): LetterPainter
  moveTo(x: number, y: number): LetterPainter
  lineTo(x: number, y: number): LetterPainter
  stroke(): LetterPainter
  font(file: string): LetterPainter
  fontSize(size: number): LetterPainter
  text(
    text: string,
    x: number,
    y: number,
    options: { width: number; align: 'center' | 'left'; lineBreak: false },
  ): LetterPainter
}
