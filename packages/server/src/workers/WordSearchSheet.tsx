/** @jsxRuntime automatic */
import { directionOf, type WordSearchPuzzle } from '@otter/core'
import { Page, Rect, StyleSheet, Svg, Text, View, Line } from '@react-pdf/renderer'
import { displayFamiliesFor, familiesFor } from './fonts.ts'

const INK = '#14312F'
const QUIET = '#46605B'
const RULE = '#D9D2C0'
const TINT = '#E0EFEC'

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
      <Grid puzzle={puzzle} marked={isKey} fontFamily={fontFamily} width={paper === 'a4' ? 515 : 532} />
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

function Grid({ puzzle, marked, fontFamily, width }: { puzzle: WordSearchPuzzle; marked: boolean; fontFamily: string[]; width: number }) {
  const rows = puzzle.rows.length
  const cols = puzzle.rows[0].length
  const cell = Math.min(40, width / cols, 520 / rows)
  const middle = (col: number): number => ((puzzle.direction === 'rtl' ? cols - 1 - col : col) + 0.5) * cell
  return (
    <View style={{ alignItems: 'center' }}>
      <View style={{ width: cols * cell, height: rows * cell, borderWidth: 0.75, borderColor: RULE }}>
        {marked ? (
          <Svg style={{ position: 'absolute', left: 0, top: 0 }} width={cols * cell} height={rows * cell} viewBox={`0 0 ${cols * cell} ${rows * cell}`}>
            {puzzle.words.map(({ entryId, row, col, dRow, dCol, length }) => (
              <Line
                key={entryId} x1={middle(col)} y1={(row + 0.5) * cell} x2={middle(col + dCol * (length - 1))} y2={(row + dRow * (length - 1) + 0.5) * cell}
                stroke={QUIET} strokeOpacity={0.28} strokeWidth={cell * 0.72} strokeLinecap="round"
              />
            ))}
          </Svg>
        ) : null}
        {puzzle.rows.map((row, index) => (
          <View key={index} style={{ flexDirection: puzzle.direction === 'rtl' ? 'row-reverse' : 'row', height: cell }}>
            {row.map((letter, col) => (
              <Text key={col} style={{ width: cell, textAlign: 'center', fontFamily, fontSize: cell * 0.6, lineHeight: 1, paddingTop: cell * 0.2 }}>{letter}</Text>
            ))}
          </View>
        ))}
      </View>
    </View>
  )
}

function QrCode({ squares }: { squares: boolean[][] }) {
  const side = squares.length
  return (
    <Svg width={62} height={62} viewBox={`0 0 ${side} ${side}`}>
      <Rect x={0} y={0} width={side} height={side} fill={TINT} fillOpacity={0} />
      {squares.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [<Rect key={`${x} ${y}`} x={x} y={y} width={1.02} height={1.02} fill={INK} />] : [])))}
    </Svg>
  )
}
