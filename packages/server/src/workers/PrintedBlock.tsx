/** @jsxRuntime automatic */
import {
  directionOf,
  type SheetBlock,
  type SheetCards,
  type SheetDeck,
  type SheetGrid,
  type SheetItems,
  type SheetSquare,
  type SheetTokens,
} from '@otter/core'
import { Canvas, Image, Text, View } from '@react-pdf/renderer'
import type { Language } from '@otter/api'
import { sheetWord } from '../texts.ts'
import { fileFor } from './fonts.ts'
import { wrapHan } from './wrapHan.ts'

export const INK = '#14312F'
export const QUIET = '#46605B'
const RULE = '#D9D2C0'
/** How much of a picture is left where ink is saved. */
const PALE = 0.5
/** Room beside a text for a label and between columns, in points. */
const ASIDE = 34
/** Letters from which an item may go on on the next page: it might fit none. */
const LONG_ITEM = 800
/** Largest letters of a card, in points. */
const LARGEST_TYPE = 34
/** Largest cell and tallest grid, in points. */
const LARGEST = { open: 40, framed: 30 }
const TALLEST = { open: 520, framed: 470 }

interface PrintedBlockProps {
  block: SheetBlock
  /** Room from side to side, in points. */
  width: number
  /** Room for a grid from top to bottom, in points. */
  height: number
  /** Size of type, in points. */
  size: number
  saveInk: boolean
  /** Language of the words around the game. */
  language: Language
  pictures: Record<string, Uint8Array>
}

/** One block of a printed page. */
export function PrintedBlock({ block, width, height, size, saveInk, language, pictures }: PrintedBlockProps) {
  if (block.type === 'grid') return <Grid grid={block} width={width} height={height} saveInk={saveInk} />
  if (block.type === 'text')
    return (
      <Text style={{ marginTop: 10, fontSize: size, direction: directionOf(block.text) }}>
        {wrapHan(block.text, width / size)}
      </Text>
    )
  if (block.type === 'cards') return <Cards cards={block} width={width} saveInk={saveInk} pictures={pictures} />
  if (block.type === 'tokens') return <Tokens tokens={block} saveInk={saveInk} pictures={pictures} />
  if (block.type === 'deck')
    return <Deck deck={block} width={width} height={height} saveInk={saveInk} pictures={pictures} />
  if (block.type === 'items')
    return <Items list={block} width={width} size={size} saveInk={saveInk} language={language} pictures={pictures} />
  return (
    <View style={{ flexDirection: 'row', gap: 24 }}>
      {block.blocks.map((part, index) => (
        <View key={index} style={{ flex: 1 }}>
          <PrintedBlock
            block={part}
            width={width / block.blocks.length}
            height={height}
            size={size}
            saveInk={saveInk}
            language={language}
            pictures={pictures}
          />
        </View>
      ))}
    </View>
  )
}

function Items({
  list: { heading, columns, direction, items },
  width,
  size,
  saveInk,
  language,
  pictures,
}: {
  list: SheetItems
  width: number
  size: number
  saveInk: boolean
  language: Language
  pictures: Record<string, Uint8Array>
}) {
  const rtl = direction === 'rtl'
  const ems = (width / columns - ASIDE) / size
  return (
    <View style={{ marginTop: 14, fontSize: size }}>
      {heading ? (
        <Text style={{ fontWeight: 700, fontSize: size + 1, marginBottom: 3 }}>{sheetWord(language, heading)}</Text>
      ) : null}
      <View style={{ flexDirection: rtl ? 'row-reverse' : 'row', flexWrap: 'wrap' }}>
        {items.map(({ label, text, note, answer, picture, below = [] }, index) => (
          <View
            key={index}
            wrap={text.length > LONG_ITEM}
            style={{ width: `${100 / columns}%`, paddingRight: 10, paddingVertical: 2, flexDirection: 'row' }}
          >
            {label !== '' ? <Text style={{ width: 20, fontWeight: 700 }}>{label}</Text> : null}
            <View style={{ flex: 1 }}>
              <View style={{ flexDirection: rtl ? 'row-reverse' : 'row', alignItems: 'center', gap: 5 }}>
                {picture !== undefined && picture in pictures ? (
                  <Image
                    src={imageOf(pictures[picture]!)}
                    style={{ height: 26, width: 26, objectFit: 'contain', opacity: saveInk ? PALE : 1 }}
                  />
                ) : null}
                <Text style={{ flex: 1, direction: directionOf(text), textAlign: rtl ? 'right' : 'left' }}>
                  {wrapHan(
                    [text, note].filter((part) => part !== '').join(' ') + (answer !== '' ? ` · ${answer}` : ''),
                    ems,
                  )}
                </Text>
              </View>
              {below.map((line, place) => (
                <Text
                  key={place}
                  style={{ marginTop: 4, direction: directionOf(line), textAlign: rtl ? 'right' : 'left' }}
                >
                  {wrapHan(line, ems)}
                </Text>
              ))}
            </View>
          </View>
        ))}
      </View>
    </View>
  )
}

function imageOf(bytes: Uint8Array): { data: Buffer; format: 'png' | 'jpg' } {
  return { data: Buffer.from(bytes), format: bytes[0] === 0x89 ? 'png' : 'jpg' }
}

/** Side of a card by how many stand on a page, in points; two fit below each other on either paper. */
const CARD_SIDES = { 1: 500, 2: 280, 4: 238 }

function Cards({
  cards: { cards, perPage },
  width,
  saveInk,
  pictures,
}: {
  cards: SheetCards
  width: number
  saveInk: boolean
  pictures: Record<string, Uint8Array>
}) {
  const side = Math.min(width, CARD_SIDES[perPage])
  return (
    <View
      style={{
        flexDirection: 'row',
        flexWrap: 'wrap',
        justifyContent: perPage === 4 ? 'space-between' : 'center',
        gap: 20,
        marginTop: 8,
      }}
    >
      {cards.map(({ label, size, direction, cells }) => (
        <View key={label} wrap={false} style={{ width: side }}>
          <Text style={{ fontWeight: 700, marginBottom: 3 }}>{label}</Text>
          <View
            style={{
              flexDirection: direction === 'rtl' ? 'row-reverse' : 'row',
              flexWrap: 'wrap',
              borderWidth: 1,
              borderColor: INK,
            }}
          >
            {cells.map((cell, index) => (
              <Square key={index} square={cell} side={(side - 2.2) / size} saveInk={saveInk} pictures={pictures} />
            ))}
          </View>
        </View>
      ))}
    </View>
  )
}

/** Cards that fill the page, to cut or to fold. */
function Deck({
  deck: { columns, rows, cells },
  width,
  height,
  saveInk,
  pictures,
}: {
  deck: SheetDeck
  width: number
  height: number
  saveInk: boolean
  pictures: Record<string, Uint8Array>
}) {
  const size = { width: (width - 1) / columns, height: height / rows }
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
      {cells.map((cell, index) => (
        <Square
          key={index}
          square={cell ?? { text: '' }}
          side={size.width}
          height={size.height}
          saveInk={saveInk}
          pictures={pictures}
        />
      ))}
    </View>
  )
}

function Tokens({
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

function Square({
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
function Grid({
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
