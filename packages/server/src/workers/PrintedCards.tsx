/** @jsxRuntime automatic */
import type { SheetCards, SheetDeck } from '@otter/core'
import { Text, View } from '@react-pdf/renderer'
import { Square } from './PrintedGrid.tsx'
import { INK } from './ink.ts'

/** Side of a card by how many stand on a page, in points; two fit below each other on either paper. */
const CARD_SIDES = { 1: 500, 2: 280, 4: 238 }

/** Picture cards, so many on a page. */
export function Cards({
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
export function Deck({
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
