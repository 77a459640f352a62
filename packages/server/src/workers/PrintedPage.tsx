/** @jsxRuntime automatic */
import { directionOf, typeFor, type SheetBlock } from '@otter/core'
import { Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import { displayFamiliesFor, familiesFor } from './fonts.ts'
import { INK, QUIET } from './ink.ts'
import { PrintedBlock } from './PrintedBlock.tsx'
import type { Language } from '@otter/api'
import { sheetWord, sheetWords } from '../texts.ts'

const styles = StyleSheet.create({
  page: { padding: 40, color: INK, fontSize: 12 },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-start' },
  title: { fontSize: 22 },
  lines: { flexDirection: 'row', gap: 18, marginTop: 12, marginBottom: 12, fontSize: 10, color: QUIET },
  line: { borderBottomWidth: 0.75, borderBottomColor: QUIET, height: 12 },
  foot: {
    position: 'absolute',
    left: 40,
    right: 40,
    bottom: 22,
    fontSize: 8,
    color: QUIET,
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
})

/** Width and height between the margins, without the head, in points. */
const PAPER = {
  a4: { size: 'A4', width: 515, height: 645 },
  letter: { size: 'LETTER', width: 532, height: 595 },
} as const

/** One printed page. */
export interface PrintedPageProps {
  title: string
  blocks: readonly SheetBlock[]
  seed: string
  version: number
  versions: number
  /** Version of the game's rules that made it. */
  rules: number
  paper: 'a4' | 'letter'
  isKey: boolean
  /** Without a line for name and date. */
  bare: boolean
  /** Dark squares of the QR code, row by row; and the address in letters. */
  qr: boolean[][] | undefined
  address: string | undefined
  /** Thin lines and pale pictures. */
  saveInk: boolean
  /** Whether its readers learn to read. */
  early: boolean
  /** Language of the words around the game. */
  language: Language
  /** Bytes of the pictures, by id. */
  pictures: Record<string, Uint8Array>
}

/** A page with its head and foot: the same for every game. */
export function PrintedPage({
  title,
  blocks,
  seed,
  version,
  versions,
  rules,
  paper,
  isKey,
  bare,
  qr,
  address,
  saveInk,
  early,
  language,
  pictures,
}: PrintedPageProps) {
  const everything = title + blocks.map(textOf).join('') + sheetWords(language)
  const { size, width, height } = PAPER[paper]
  const type = typeFor(blocks, height, early)
  return (
    <Page size={size} style={[styles.page, { fontFamily: familiesFor(everything) }]}>
      <View style={[styles.head, { flexDirection: directionOf(title) === 'rtl' ? 'row-reverse' : 'row' }]}>
        <Text style={[styles.title, { fontFamily: displayFamiliesFor(everything), direction: directionOf(title) }]}>
          {title}
          {isKey ? ` · ${sheetWord(language, 'key')}` : ''}
        </Text>
        {qr !== undefined && !isKey ? <QrCode squares={qr} /> : null}
      </View>
      {isKey || bare ? (
        <View style={{ height: 16 }} />
      ) : (
        <View style={styles.lines}>
          <Text>{sheetWord(language, 'name')}</Text>
          <View style={[styles.line, { flexGrow: 2 }]} />
          <Text>{sheetWord(language, 'date')}</Text>
          <View style={[styles.line, { flexGrow: 1 }]} />
        </View>
      )}
      {blocks.map((block, index) => (
        <PrintedBlock
          key={index}
          block={block}
          width={width}
          height={type.gridHeight}
          size={type.size}
          saveInk={saveInk}
          language={language}
          pictures={pictures}
        />
      ))}
      <View style={styles.foot} fixed>
        <Text>
          {sheetWord(language, 'seed')} {seed} · {sheetWord(language, 'rules', { number: rules })}
          {versions > 1 ? ` · ${sheetWord(language, 'version', { number: version, of: versions })}` : ''}
        </Text>
        <Text>{address ?? ''}</Text>
      </View>
    </Page>
  )
}

/** Returns all letters of a block: the page needs a font for each. */
export function textOf(block: SheetBlock): string {
  if (block.type === 'grid') return block.cells.map((cell) => cell?.text ?? '').join('')
  if (block.type === 'items')
    return block.items.map(({ text, answer, below = [] }) => text + answer + below.join('')).join('')
  if (block.type === 'deck') return block.cells.map((cell) => cell?.text ?? '').join('')
  if (block.type === 'text') return block.text
  if (block.type === 'cards') return block.cards.flatMap(({ cells }) => cells.map((cell) => cell?.text ?? '')).join('')
  if (block.type === 'tokens') return block.tokens.map(({ text }) => text).join('')
  return block.blocks.map(textOf).join('')
}

function QrCode({ squares }: { squares: boolean[][] }) {
  const side = squares.length
  const path = squares
    .flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1.02v1.02h-1.02z`] : [])))
    .join('')
  return (
    <Svg width={62} height={62} viewBox={`0 0 ${side} ${side}`}>
      <Path d={path} fill={INK} />
    </Svg>
  )
}
