import { randomBytes } from 'node:crypto'
import { expect } from 'chai'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import Papa from 'papaparse'
import {
  entriesFromTable,
  guessFields,
  ListDetails,
  newEntry,
  randomFrom,
  withHeader,
  type Entry,
  type Table,
} from '../src/index.ts'
import { inLane, runs } from '../../../scripts/testing/lane.mjs'
import { crossword, CrosswordOptions } from '../src/games/crossword/index.ts'
import {
  FileRefusal,
  looksLikeIpuz,
  mediaOf,
  notCarried,
  readArchive,
  readDelimited,
  readIpuz,
  readWorkbook,
  tableOfSheet,
  withMediaIds,
  writeArchive,
  writeDelimited,
  writeIpuz,
  writeWorkbook,
} from '../src/formats/index.ts'
import { anyEntry, anyTextEntry } from './anyEntry.ts'
import { idOf, listOf } from './sampleWords.ts'
import { yardsticks } from './yardsticks.ts'

const back = (table: Table): Omit<Entry, 'id'>[] =>
  withoutIds(entriesFromTable(table, guessFields(table), () => idOf(0)).entries)
const withoutIds = (entries: readonly Entry[]): Omit<Entry, 'id'>[] => entries.map(({ id: _, ...rest }) => rest)
const carried = fc
  .array(anyTextEntry, { minLength: 1, maxLength: 6 })
  .map((entries) =>
    entries.filter(({ answer, prompt, hint, fact, accepted, choices }) =>
      [answer.text, prompt.text, hint, fact, ...accepted, ...choices.map((one) => one.text)].some(
        (text) => text !== '',
      ),
    ),
  )
  .filter((entries) => entries.length > 0)

/** Tells how a file was refused; fails where it was not. */
async function refusalOf(read: () => unknown): Promise<string> {
  try {
    await read()
  } catch (error) {
    if (error instanceof FileRefusal) return error.code
    throw error
  }
  throw new Error('the file was taken')
}

describe('lists as files', () => {
  it('come back equal from CSV and TSV, in every field', () => {
    fc.assert(
      fc.property(carried, fc.constantFrom(',' as const, '\t' as const), (entries, delimiter) => {
        expect(back(readDelimited(strToU8(writeDelimited(entries, delimiter))).table)).to.deep.equal(
          withoutIds(entries),
        )
      }),
      { numRuns: runs(300) },
    )
  })

  it('come back equal from a workbook', async () => {
    await fc.assert(
      fc.asyncProperty(carried, async (entries) => {
        const [sheet] = await readWorkbook(await writeWorkbook(entries, 'A/list: [of] mine'))
        expect(back(tableOfSheet(sheet!))).to.deep.equal(withoutIds(entries))
      }),
      { numRuns: runs(60) },
    )
  })

  it('come back equal from an archive, with ids, pictures and sounds', () => {
    fc.assert(
      fc.property(fc.array(anyEntry, { maxLength: 5 }), fc.string({ maxLength: 20 }), (entries, tag) => {
        const details = ListDetails.parse({
          title: 'Bees',
          tags: [tag.replace(/[^\p{L}]/gu, '')],
          cover: { id: idOf(99), alt: 'a hive', credit: '' },
        })
        const media = new Map(mediaOf({ details, entries }).map((id) => [id, new Uint8Array(randomBytes(40))]))
        const read = readArchive(writeArchive(details, entries, media))
        expect(read.list.details).to.deep.equal(details)
        expect(read.list.entries).to.deep.equal(entries)
        expect(read.media).to.deep.equal(media)
        const renamed = withMediaIds(read.list, new Map([...media.keys()].map((id) => [id, id.replace(/^./u, '0')])))
        expect(mediaOf(renamed)).to.have.members([...media.keys()].map((id) => id.replace(/^./u, '0')))
        expect(mediaOf(withMediaIds(read.list, new Map()))).to.deep.equal([])
      }),
      { numRuns: runs(60) },
    )
  })

  it('say beforehand what a format can not carry', () => {
    const picture = { id: idOf(7), alt: '', credit: '' }
    const entries = [
      newEntry({
        id: idOf(1),
        answer: { text: 'a', picture },
        prompt: { text: '', sound: { id: idOf(8), milliseconds: 900 } },
      }),
      newEntry({ id: idOf(2), answer: { text: '', picture } }),
    ]
    expect(
      notCarried('csv', ListDetails.parse({ title: 'Bees', grade: '5', tags: ['hive'], cover: picture }), entries),
    ).to.deep.equal({ pictures: 3, sounds: 1, entries: 1, details: ['grade', 'tags'] })
    expect(notCarried('archive', ListDetails.parse({}), entries)).to.deep.equal({
      pictures: 0,
      sounds: 0,
      entries: 0,
      details: [],
    })
  })

  it('are read in any delimiter and encoding, and never start a formula in a spreadsheet', () => {
    const rows = [
      ['café', 'coffee'],
      ['señor', 'sir'],
      ['niño; niña', 'child'],
    ]
    for (const delimiter of [',', ';', '\t', '|']) {
      const text = Papa.unparse(rows, { delimiter })
      const utf16 = Buffer.from(`\ufeff${text}`, 'utf16le')
      for (const bytes of [
        strToU8(text),
        strToU8(`\ufeff${text}`),
        utf16,
        utf16.subarray(2),
        Buffer.from(utf16).swap16(),
        Buffer.from(text, 'latin1'),
      ]) {
        expect(
          withHeader(readDelimited(new Uint8Array(bytes)).table, false).rows.map(({ cells }) => cells),
          delimiter,
        ).to.deep.equal(rows)
      }
    }
    const written = writeDelimited([
      newEntry({ id: idOf(1), answer: { text: '=HYPERLINK("x")' }, prompt: { text: '@a' } }),
    ])
    expect(Papa.parse<string[]>(written.slice(1)).data[1]!.every((cell) => !/^[=+\-@]/u.test(cell))).to.equal(true)
    expect(
      readDelimited(strToU8('smoker = calms the bees\ndrone = a male bee\n')).table.rows.map(({ cells }) => cells),
    ).to.deep.equal([
      ['smoker', 'calms the bees'],
      ['drone', 'a male bee'],
    ])
  })

  it('leave out rows with formulas, and name the cell', async () => {
    const { 'xl/worksheets/sheet1.xml': sheet, ...others } = await parts([
      newEntry({ id: idOf(1), answer: { text: 'wax' }, prompt: { text: 'of bees' } }),
      newEntry({ id: idOf(2), answer: { text: 'veil' }, prompt: { text: 'a net' } }),
    ])
    const withFormula = Buffer.from(sheet!)
      .toString()
      .replace(/<c r="B3"[^>]*>.*?<\/c>/u, '<c r="B3"><f>1+1</f><v>2</v></c>')
    const [read] = await readWorkbook(zipSync({ ...others, 'xl/worksheets/sheet1.xml': strToU8(withFormula) }))
    expect(tableOfSheet(read!).left).to.deep.equal([{ line: 3, why: 'formula', text: 'B3' }])
    expect(back(tableOfSheet(read!)).map(({ answer }) => answer.text)).to.deep.equal(['wax'])
  })

  it('are read in a moment whatever stands in them: unwanted parts stay packed, tags without an end are passed over', async () => {
    const good = await parts([newEntry({ id: idOf(1), answer: { text: 'a' }, prompt: { text: 'b' } })])
    const timed = async (files: Record<string, Uint8Array>): Promise<number> => {
      const packed = zipSync(files)
      const spent = yardsticks()
      await readWorkbook(packed).catch((error: unknown) => expect(error).to.be.instanceOf(FileRefusal))
      return spent()
    }
    expect(
      await timed({ ...good, 'xl/media/picture.bin': new Uint8Array(inLane(60_000_000, 200_000_000)) }),
    ).to.be.below(30)
    const size = inLane(300_000, 900_000)
    const sheet = Object.keys(good).find((name) => name.startsWith('xl/worksheets/sheet')) ?? ''
    for (const piece of ['<c r="A1" ', '<c r="A1">     ', '<c', '<sheet r:id="', '<Relationship ', ' '.repeat(9)]) {
      for (const name of piece === '<c' ? [sheet, 'xl/workbook.xml', 'xl/_rels/workbook.xml.rels'] : [sheet])
        expect(
          await timed({ ...good, [name]: strToU8(piece.repeat(size / piece.length)) }),
          `${name} ${piece}`,
        ).to.be.below(250)
    }
  }).timeout(120_000)

  it('are refused where they are bombs, go astray, are huge, or are something else', async () => {
    const jpeg = new Uint8Array([0xff, 0xd8, 0xff, 0xe0, ...randomBytes(4000)])
    const bomb = zipSync({ 'xl/workbook.xml': new Uint8Array(70_000_000) }, { level: 9 })
    const before = process.memoryUsage().rss
    expect(await refusalOf(() => readWorkbook(bomb))).to.equal('unpacks-too-big')
    // An archive that lies about what it unpacks to.
    const liar = Buffer.from(bomb)
    for (let at = 0; at < liar.length - 4; at++) if (liar.readUInt32LE(at) === 70_000_000) liar.writeUInt32LE(1000, at)
    expect(await refusalOf(() => readWorkbook(new Uint8Array(liar)))).to.equal('broken')
    expect((process.memoryUsage().rss - before) / 1e6).to.be.below(60)
    expect(await refusalOf(() => readWorkbook(new Uint8Array(50_000_000)))).to.equal('too-big')
    expect(await refusalOf(() => readDelimited(new Uint8Array(50_000_000)))).to.equal('too-big')
    expect(await refusalOf(() => readWorkbook(jpeg))).to.equal('not-this-kind')
    expect(await refusalOf(() => readDelimited(jpeg))).to.equal('not-this-kind')
    expect(await refusalOf(() => readArchive(zipSync({ 'list.json': strToU8('{}') })))).to.equal('broken')
    expect(await refusalOf(() => readArchive(zipSync({ 'other.json': strToU8('{}') })))).to.equal('not-this-kind')
    expect(await refusalOf(() => readArchive(zipSync({ 'list.json': strToU8('{"version": 9}') })))).to.equal('newer')
    for (const path of ['../list.json', '/etc/list.json', 'media/../../x', 'c:\\list.json'])
      expect(await refusalOf(() => readArchive(zipSync({ [path]: strToU8('{}') }))), path).to.equal('bad-path')
    const { 'xl/workbook.xml': workbook, ...others } = await parts([newEntry({ id: idOf(1) })])
    expect(
      await refusalOf(() =>
        readWorkbook(
          zipSync({
            ...others,
            'xl/workbook.xml': strToU8(`<!DOCTYPE x [<!ENTITY a "b">]>${Buffer.from(workbook!).toString()}`),
          }),
        ),
      ),
    ).to.equal('broken')
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 300 }), async (bytes) => {
        await refusalOf(() => readWorkbook(bytes))
        await refusalOf(() => readArchive(bytes))
      }),
    )
  })

  it('bring along an archive of an earlier version, and guard cells whatever hides before the sign', () => {
    const old = {
      format: 'jolly-otter-list',
      version: 1,
      details: ListDetails.parse({ title: 'Old' }),
      entries: [
        { id: idOf(1), answer: { text: 'a' }, prompt: { text: 'b' }, group: 'rivers', standard: 'Sc.3' },
        { id: idOf(2), answer: { text: 'c' }, prompt: { text: '' }, group: '', standard: '' },
      ],
    }
    const { list } = readArchive(zipSync({ 'list.json': strToU8(JSON.stringify(old)) }))
    expect(list.entries.map(({ groups, standards, originId }) => [groups, standards, originId])).to.deep.equal([
      [['rivers'], ['Sc.3'], null],
      [[], [], null],
    ])
    for (const text of ['＝1+1', '\u200b=1+1', '\u00a0＋1', "'=x", ' @a', '\u2060\u202a-2']) {
      const csv = writeDelimited([newEntry({ id: idOf(1), answer: { text }, prompt: { text: 'p' } })])
      expect(csv.split('\r\n')[1]).to.match(/^"?'/u)
    }
  })

  it('carry a crossword as ipuz, and read its words and clues back', () => {
    const list = listOf(['ice cream', 'rice', 'mice', 'cat'])
    const puzzle = crossword.make(list, CrosswordOptions.parse({ steps: 20_000 }), randomFrom('1'))
    const text = writeIpuz('Food', puzzle)
    expect(JSON.parse(text)).to.deep.include({
      version: 'http://ipuz.org/v2',
      dimensions: { width: puzzle.cols, height: puzzle.rows },
    })
    for (const own of [text, `ipuz(${text})`]) {
      expect(looksLikeIpuz(own)).to.equal(true)
      expect(
        readIpuz(own)
          .rows.map(({ cells }) => cells.join(' '))
          .sort(),
      ).to.deep.equal(['cat clue 3', 'icecream clue 0', 'mice clue 2', 'rice clue 1'])
    }
    for (const bad of [
      '{"version": "http://ipuz.org/v2"',
      '{"version": "http://ipuz.org/v2", "kind": ["http://ipuz.org/sudoku#1"]}',
      text.replace('"Across":', '"Beside":').replace('"Down":', '"Under":'),
    ])
      expect(() => readIpuz(bad)).to.throw(FileRefusal)
  })
})

/** Returns the files inside a workbook of the entries. */
async function parts(entries: Entry[]): Promise<Record<string, Uint8Array>> {
  const { unzipSync } = await import('fflate')
  return unzipSync(await writeWorkbook(entries, 'Bees'))
}
