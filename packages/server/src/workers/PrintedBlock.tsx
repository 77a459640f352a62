/** @jsxRuntime automatic */
import { directionOf, type SheetBlock, type SheetItems } from '@otter/core'
import { Image, Text, View } from '@react-pdf/renderer'
import type { Language } from '@otter/api'
import { sheetWord } from '../texts.ts'
import { wrapHan } from './wrapHan.ts'
import { Cards, Deck } from './PrintedCards.tsx'
import { imageOf } from './imageOf.ts'
import { Grid, Tokens } from './PrintedGrid.tsx'
import { PALE } from './ink.ts'

/** Room beside a text for a label and between columns, in points. */
const ASIDE = 34

/** Letters from which an item may go on on the next page: it might fit none. */
const LONG_ITEM = 800

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
