/** @jsxRuntime automatic */
import { directionOf, type WordSearchPuzzle } from '@otter/core'
import { Canvas, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import { displayFamiliesFor, familiesFor, fileFor } from './fonts.ts'

const INK = '#14312F'
const QUIET = '#46605B'
const RULE = '#D9D2C0'

const styles = StyleSheet.create({
  page: { padding: 40, color: INK, fontSize: 12 },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-start' },
  title: { fontSize: 22 },
  lines: { flexDirection: 'row', gap: 18, marginTop: 12, marginBottom: 12, fontSize: 10, color: QUIET },
  line: { borderBottomWidth: 0.75, borderBottomColor: QUIET, height: 12 },
  words: { flexDirection: 'row', flexWrap: 'wrap', marginTop: 14 },
  foot: { position: 'absolute', left: 40, right: 40, bottom: 22, fontSize: 8, color: QUIET, flexDirection: 'row', justifyContent: 'space-between' },
})

/** One printed version. */
export interface SheetProps {
  title: string
  puzzle: WordSearchPuzzle
  seed: string
  version: number
  versions: number
  paper: 'a4' | 'letter'
  /** Whether this is the key: with the words marked. */
  isKey: boolean
  /** Dark squares of the QR code, row by row; and the address in letters. */
  qr: boolean[][] | undefined
  address: string | undefined
}

/** A page with a word search, or its key. */
export function WordSearchSheet({ title, puzzle, seed, version, versions, paper, isKey, qr, address }: SheetProps) {
  const everything = title + puzzle.words.map(({ text, prompt }) => text + prompt).join('') + puzzle.rows.flat().join('')
  const fontFamily = familiesFor(everything)
  const rtl = puzzle.direction === 'rtl'
  const columns = puzzle.show === 'clues' ? 2 : 4
  return (
    <Page size={paper === 'a4' ? 'A4' : 'LETTER'} style={[styles.page, { fontFamily }]}>
      <View style={[styles.head, { flexDirection: rtl ? 'row-reverse' : 'row' }]}>
        <Text style={[styles.title, { fontFamily: displayFamiliesFor(everything), direction: directionOf(title) }]}>{title || 'Word search'}{isKey ? ' · Key' : ''}</Text>
        {qr !== undefined && !isKey ? <QrCode squares={qr} /> : null}
      </View>
      {isKey ? <View style={{ height: 16 }} /> : (
        <View style={styles.lines}>
          <Text>Name</Text><View style={[styles.line, { flexGrow: 2 }]} /><Text>Date</Text><View style={[styles.line, { flexGrow: 1 }]} />
        </View>
      )}
      <Grid puzzle={puzzle} marked={isKey} width={paper === 'a4' ? 515 : 532} />
      <View style={[styles.words, { flexDirection: rtl && puzzle.show === 'words' ? 'row-reverse' : 'row' }]}>
        {puzzle.words.map(({ entryId, text, prompt, length }, index) => {
          const label = puzzle.show === 'clues' && prompt !== '' ? prompt : text
          return (
            <View key={entryId} style={{ width: `${100 / columns}%`, paddingRight: 10, paddingVertical: 2, flexDirection: 'row' }}>
              {puzzle.show === 'clues' ? <Text style={{ width: 20 }}>{String(index + 1)}</Text> : null}
              <Text style={{ flex: 1, direction: directionOf(label), textAlign: rtl && puzzle.show === 'words' ? 'right' : 'left' }}>
                {puzzle.show === 'clues' ? `${label} (${length})${isKey ? ` · ${text}` : ''}` : label}
              </Text>
            </View>
          )
        })}
      </View>
      {isKey && puzzle.message !== '' ? <Text style={{ marginTop: 10, direction: directionOf(puzzle.message) }}>{puzzle.message}</Text> : null}
      <View style={styles.foot} fixed>
        <Text>Seed {seed}{versions > 1 ? ` · version ${version} of ${versions}` : ''}</Text>
        <Text>{address ?? ''}</Text>
      </View>
    </Page>
  )
}

/** Drawn letter by letter on a canvas: laid out as text, a class set of grids took ten times as long. */
function Grid({ puzzle, marked, width }: { puzzle: WordSearchPuzzle; marked: boolean; width: number }) {
  const { rows, words, direction } = puzzle
  const cols = rows[0].length
  const cell = Math.min(40, width / cols, 520 / rows.length)
  const left = (col: number): number => (direction === 'rtl' ? cols - 1 - col : col) * cell
  const paint = (painter: LetterPainter): null => {
    painter.lineWidth(0.75).strokeColor(RULE).rect(0, 0, cols * cell, rows.length * cell).stroke()
    if (marked) {
      painter.lineWidth(cell * 0.72).lineCap('round').strokeColor(QUIET).strokeOpacity(0.28)
      for (const { row, col, dRow, dCol, length } of words) {
        painter.moveTo(left(col) + cell / 2, (row + 0.5) * cell)
        painter.lineTo(left(col + dCol * (length - 1)) + cell / 2, (row + dRow * (length - 1) + 0.5) * cell).stroke()
      }
    }
    painter.fillColor(INK).fontSize(cell * 0.6)
    let file = ''
    rows.forEach((letters, row) => letters.forEach((letter, col) => {
      // Setting a font reads its file, even where it is the same again.
      if (file !== (file = fileFor(letter))) painter.font(file)
      painter.text(letter, left(col), (row + 0.14) * cell, { width: cell, align: 'center', lineBreak: false })
    }))
    return null
  }
  return (
    <View style={{ alignItems: 'center' }}>
      <Canvas style={{ width: cols * cell, height: rows.length * cell }} paint={paint as never} />
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
  text(text: string, x: number, y: number, options: { width: number; align: 'center'; lineBreak: false }): LetterPainter
}

function QrCode({ squares }: { squares: boolean[][] }) {
  const side = squares.length
  const path = squares.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1.02v1.02h-1.02z`] : []))).join('')
  return (
    <Svg width={62} height={62} viewBox={`0 0 ${side} ${side}`}>
      <Path d={path} fill={INK} />
    </Svg>
  )
}
