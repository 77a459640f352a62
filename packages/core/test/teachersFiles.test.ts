import { expect } from 'chai'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import writeWorkbookFile from 'write-excel-file/universal'
import { decodeText, guessEncoding, type Encoding } from '../src/formats/delimited/decodeText.ts'
import { readDelimited, readIpuz, readWorkbook, tableOfSheet } from '../src/formats/index.ts'
import { shownNumber } from '../src/formats/workbook/shownNumber.ts'
import { entriesFromTable, guessFields, readPaste, type Entry, type Table } from '../src/index.ts'
import { idOf } from './sampleWords.ts'

const entriesOf = (table: Table, answerSeparator = ''): Entry[] =>
  entriesFromTable(table, guessFields(table), () => idOf(0), answerSeparator).entries

/** Returns text as bytes of an encoding, letter by letter, of those that take one byte or two. */
function encoded(text: string, encoding: Encoding): Uint8Array {
  const bytesOf = new Map<string, number[]>()
  for (let first = 0xff; first >= 0; first--) {
    for (let second = 0x40; second < 0xff && first >= 0x81; second++)
      bytesOf.set(decodeText(Uint8Array.of(first, second), encoding), [first, second])
    bytesOf.set(decodeText(Uint8Array.of(first), encoding), [first])
  }
  return Uint8Array.from([...text].flatMap((letter) => bytesOf.get(letter) ?? []))
}

/** Word lists as teachers have them, in the encodings of their older programs. */
const TEXTS: [Encoding, string][] = [
  ['windows-1252', 'café;boisson\nélève;enfant à cette école\nforêt;arbres\nNoël;fête\n'],
  ['windows-1252', 'Straße;street\nÜbung;exercise\nschön;beautiful\nMädchen;girl\n'],
  ['windows-1255', 'תפוח;apple\nלחם;bread\nגבינה;cheese\nעגבנייה;tomato\n'],
  ['windows-1255', 'בוקר טוב;ברכה\nמה שלומך;טוב תודה\nבית ספר;מקום ללמוד\n'],
  ['windows-1251', 'яблоко;apple\nхлеб;bread\nсыр;cheese\nПомидор;tomato\n'],
  ['windows-1251', 'дом;house\nлес;forest\nвода;water\n'],
  ['windows-1256', 'تفاح;apple\nخبز;bread\nجبن;cheese\nمدرسة;school\n'],
  ['shift_jis', 'りんご;apple\nパン;bread\n学校;school\nチーズ;cheese\n'],
  ['gb18030', '苹果;apple\n面包;bread\n学校;school\n奶酪;cheese\n'],
]

describe('Files as teachers have them', () => {
  it('are read in the encoding that their letters tell, or in the one that is chosen', () => {
    for (const [encoding, text] of TEXTS) {
      const bytes = encoded(text, encoding)
      expect(guessEncoding(bytes), text).to.equal(encoding)
      const read = readDelimited(bytes)
      expect([read.encoding, read.separator]).to.deep.equal([encoding, ';'])
      expect(read.table.rows.map(({ cells }) => `${cells.join(';')}\n`).join('')).to.equal(text)
      // UTF-8 is never taken for anything else.
      expect(guessEncoding(strToU8(text))).to.equal('utf-8')
    }
    const hebrew = encoded('תפוח;apple\n', 'windows-1255')
    expect(readDelimited(hebrew, { encoding: 'windows-1251' }).table.rows[0]!.cells[0]).to.match(
      /^\p{Script=Cyrillic}/u,
    )
  })

  it('are parted where somebody says so, a file like a paste', () => {
    const { table, separator } = readDelimited(
      strToU8('mast; carries the sails, all of them\nkeel; a beam, the lowest'),
      {
        separator: ',',
      },
    )
    expect(separator).to.equal(',')
    expect(table.rows[0]!.cells).to.deep.equal(['mast; carries the sails', 'all of them'])
  })

  it('hold several answers in a cell, where that is chosen', () => {
    const table = readPaste('answer\tclue\nbig; large ;huge\tnot small\nand/or\ta choice\n;\tnothing')
    expect(entriesOf(table).map(({ answer }) => answer.text)).to.deep.equal(['big; large ;huge', 'and/or', ';'])
    expect(entriesOf(table, ';').map(({ answer, accepted }) => [answer.text, ...accepted])).to.deep.equal([
      ['big', 'large', 'huge'],
      ['and/or'],
      [';'],
    ])
  })

  it('mark the right choice by bold letters, a colour or a ground; where all look so, nothing is marked', async () => {
    const row = (cells: string[], right: number, style: object): object[] =>
      cells.map((value, index) => ({ value, type: String, ...(index === right ? style : {}) }))
    const bold = { fontWeight: 'bold' }
    const rows = [
      row(['Question', 'A', 'B', 'C'], -1, {}),
      row(['2 + 2', '3', '4', '5'], 2, bold),
      row(['sky', 'blue', 'green', 'red'], 1, { textColor: '#ff0000' }),
      row(['grass', 'blue', 'green', 'red'], 2, { backgroundColor: '#ffee00' }),
      row(['snow', 'black', 'white', 'pink'], -1, {}),
      row(['coal', 'black', 'white', 'pink'], -1, {}).map((cell) => ({ ...cell, ...bold })),
    ]
    const blob = await writeWorkbookFile(rows as never, { sheet: 'Quiz' }).toBlob()
    const [sheet] = await readWorkbook(new Uint8Array(await blob.arrayBuffer()))
    expect(entriesOf(tableOfSheet(sheet!)).map(({ prompt, answer }) => [prompt.text, answer.text])).to.deep.equal([
      ['2 + 2', '4'],
      ['sky', 'blue'],
      ['grass', 'green'],
      ['snow', ''],
      ['coal', ''],
    ])
  })

  it('show numbers as their cells do: percentages, times and fractions', async () => {
    for (const [value, code, shown] of [
      [0.5, '0%', '50%'],
      [0.125, '0.00%', '12.5%'],
      [0.52083333333, 'h:mm', '12:30'],
      [0.75, 'h:mm AM/PM', '6:00 PM'],
      [1.5, '[h]:mm:ss', '36:00:00'],
      [0.00104166666, 'mm:ss', '1:30'],
      [0.75, '# ?/?', '3/4'],
      [2.3333333, '# ??/??', '2 1/3'],
      [-0.5, '# ?/?', '-1/2'],
      [0.625, '# ?/8', '5/8'],
      [3, '# ?/?', '3'],
      [0.99, '# ?/?', '1'],
      [7, '0.00', undefined],
      [7, '#,##0" %"', undefined],
      [45000, 'yyyy-mm-dd h:mm', undefined],
      [1234, '[Red]#,##0;[Blue]-#,##0', undefined],
    ] as const)
      expect(shownNumber(value, code), `${value} ${code}`).to.equal(shown)
    const blob = await writeWorkbookFile(
      [
        [
          { value: 'half', type: String },
          { value: 0.5, type: Number, format: '0%' },
        ],
        [
          { value: 'third', type: String },
          { value: 1 / 3, type: Number, format: '# ?/?' },
        ],
      ] as never,
      { sheet: 'Parts' },
    ).toBlob()
    const [sheet] = await readWorkbook(new Uint8Array(await blob.arrayBuffer()))
    expect(sheet!.rows).to.deep.equal([
      ['half', '50%'],
      ['third', '1/3'],
    ])
  })

  it('give a group that stands over several rows to each of them', async () => {
    const cell = (value: string): object => ({ value, type: String })
    const blob = await writeWorkbookFile(
      [
        [cell('Group'), cell('Answer'), cell('Clue')],
        [{ ...cell('bones'), rowSpan: 2 }, cell('rib'), cell('in the chest')],
        [null, cell('skull'), cell('in the head')],
        [null, cell('heart'), cell('beats')],
      ] as never,
      { sheet: 'Body' },
    ).toBlob()
    const [sheet] = await readWorkbook(new Uint8Array(await blob.arrayBuffer()))
    expect(entriesOf(tableOfSheet(sheet!)).map(({ answer, groups }) => [answer.text, ...groups])).to.deep.equal([
      ['rib', 'bones'],
      ['skull', 'bones'],
      ['heart'],
    ])
    // A merge that reaches beyond the sheet costs nothing.
    const files = unzipSync(new Uint8Array(await blob.arrayBuffer()))
    const name = 'xl/worksheets/sheet1.xml'
    const wide = strFromU8(files[name]!).replace('ref="A2:A3"', 'ref="A2:A1048576"')
    const [again] = await readWorkbook(zipSync({ ...files, [name]: strToU8(wide) }))
    expect(entriesOf(tableOfSheet(again!)).map(({ groups }) => groups)).to.deep.equal([['bones'], ['bones'], ['bones']])
  })

  it('are crosswords with blocks, bars, styles and clues of every form that the standard has', () => {
    const read = (more: object): string[] =>
      readIpuz(
        JSON.stringify({ version: 'http://ipuz.org/v2', kind: ['http://ipuz.org/crossword#1'], ...more }),
      ).rows.map(({ cells }) => cells.join(': '))
    const letters = ['CATS', 'ARE#', 'BEE#'].map((line) => [...line])
    expect(
      read({
        puzzle: [
          [{ cell: 1, style: 'bar' }, 2, 3, 4],
          [5, 0, 0, '#'],
          [6, 0, 0, '#'],
        ],
        styles: { bar: { barred: 'R' } },
        solution: letters,
        clues: {
          'Across:Horizontal': [[2, 'purrs? &lt;no&gt;'], { numbers: [5], clue: '<i>to be</i>, now' }],
          Down: [{ number: 1, clue: 'a <b>taxi</b>' }, [[2, 3], 'space']],
          Circled: [[1, 'nothing']],
        },
      }),
    ).to.deep.equal(['ats: purrs? <no>', 'are: to be, now', 'cab: a taxi', 'are: space'])
    // Another sign for a block, and clues without numbers in the order of their words.
    expect(
      read({
        block: 'X',
        empty: '_',
        puzzle: [
          [1, 2, 'X'],
          [3, '_', null],
        ],
        solution: [
          ['O', 'N', 'X'],
          ['F', 'O', null],
        ],
        clues: { Across: ['not off', 'fo'], Down: ['belonging to', 'a refusal'] },
      }),
    ).to.deep.equal(['on: not off', 'fo: fo', 'of: belonging to', 'no: a refusal'])
  })
})
