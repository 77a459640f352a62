import { strToU8, Zip, ZipDeflate } from 'fflate'
import { sheetName } from './sheetName.ts'

/** A cell of a sheet: a number counts as one, a text is never run as a formula. */
export type WorkbookCell = string | number | null

/** A workbook that is written row by row, so that no more than a few rows of it are in memory. */
export interface WorkbookStream {
  /** Begins the next sheet, with its headings. */
  sheet(title: string, headings: readonly string[]): void
  /** Writes a row of the sheet that was begun last. Throws where none was. */
  row(cells: readonly WorkbookCell[]): void
  /** Writes what ends the workbook. */
  end(): void
}

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n'
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006'
/** So much of a sheet is gathered before it is packed, in characters. */
const GATHERED = 32_000

/** Begins a workbook (Office Open XML, ECMA-376); each piece of it is given on as it comes. */
export function workbookStream(give: (piece: Uint8Array) => void): WorkbookStream {
  const zip = new Zip((error, piece) => {
    if (error) throw error
    give(piece)
  })
  const titles: string[] = []
  let open: ZipDeflate | undefined
  let waiting = ''
  let number = 0
  const push = (text: string, isLast = false): void => {
    waiting += text
    if (waiting.length < GATHERED && !isLast) return
    open!.push(strToU8(waiting), isLast)
    waiting = ''
  }
  const add = (name: string, text: string): void => {
    const file = new ZipDeflate(name)
    zip.add(file)
    file.push(strToU8(HEAD + text), true)
  }
  const close = (): void => {
    if (open) push('</sheetData></worksheet>', true)
    open = undefined
  }
  return {
    sheet(title, headings) {
      close()
      titles.push(uniqueTitle(sheetName(title), titles))
      open = new ZipDeflate(`xl/worksheets/sheet${titles.length}.xml`, { level: 3 })
      zip.add(open)
      push(
        `${HEAD}<worksheet xmlns="${MAIN}"><sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2"`,
      )
      push(' activePane="bottomLeft" state="frozen"/></sheetView></sheetViews><sheetData>')
      number = 1
      push(rowOf(number, headings, ' s="1"'))
    },
    row(cells) {
      if (!open) throw new Error('No sheet was begun')
      push(rowOf(++number, cells, ''))
    },
    end() {
      close()
      for (const [name, text] of Object.entries(partsOf(titles))) add(name, text)
      zip.end()
    },
  }
}

/** Writes a row by its number; each cell with its address, without which some readers find none. */
function rowOf(number: number, cells: readonly WorkbookCell[], style: string): string {
  const written = cells.map((cell, column) => {
    if (cell === null || cell === '' || (typeof cell === 'number' && !Number.isFinite(cell))) return ''
    const place = `r="${columnName(column)}${number}"${style}`
    return typeof cell === 'number'
      ? `<c ${place}><v>${cell}</v></c>`
      : `<c ${place} t="inlineStr"><is><t xml:space="preserve">${escaped(cell)}</t></is></c>`
  })
  return `<row r="${number}">${written.join('')}</row>`
}

/** Returns a column's name: A to Z, then AA, AB and so on. */
function columnName(column: number): string {
  const letter = String.fromCharCode(65 + (column % 26))
  return column < 26 ? letter : columnName(Math.floor(column / 26) - 1) + letter
}

/** Text that a reader would take for an escaped character (ECMA-376, ST_Xstring). */
const ESCAPE_LIKE = /_(?=x[\da-f]{4}_)/giu
/** Characters that XML can't hold, and halves of pairs. */
const NO_XML = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|\p{Cs}/gu
const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
/** Longest text of a cell, in UTF-16 units. */
const LONGEST_CELL = 32_000

function escaped(text: string): string {
  return text
    .slice(0, LONGEST_CELL)
    .replace(NO_XML, '')
    .replace(ESCAPE_LIKE, '_x005F_')
    .replace(/[&<>"]/gu, (sign) => ENTITIES[sign]!)
}

/** Returns a title that no sheet has yet: two of one name are one to a reader. */
function uniqueTitle(title: string, known: readonly string[]): string {
  for (let number = 1; ; number++) {
    const ending = number === 1 ? '' : ` ${number}`
    const tried = `${title.slice(0, 31 - ending.length)}${ending}`
    if (!known.some((one) => one.toLowerCase() === tried.toLowerCase())) return tried
  }
}

function partsOf(titles: readonly string[]): Record<string, string> {
  const each = (written: (number: number, title: string) => string): string =>
    titles.map((title, index) => written(index + 1, title)).join('')
  const sheetType = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  return {
    '[Content_Types].xml':
      `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>` +
      `<Override PartName="/xl/workbook.xml" ContentType="${sheetType}.sheet.main+xml"/>` +
      `<Override PartName="/xl/styles.xml" ContentType="${sheetType}.styles+xml"/>` +
      `${each((number) => `<Override PartName="/xl/worksheets/sheet${number}.xml" ContentType="${sheetType}.worksheet+xml"/>`)}</Types>`,
    '_rels/.rels':
      `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" ` +
      `Type="${RELATIONS}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml':
      `<workbook xmlns="${MAIN}" xmlns:r="${RELATIONS}"><sheets>` +
      `${each((number, title) => `<sheet name="${escaped(title)}" sheetId="${number}" r:id="rId${number}"/>`)}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels':
      `<Relationships xmlns="${PACKAGE}/relationships">` +
      each(
        (number) =>
          `<Relationship Id="rId${number}" Type="${RELATIONS}/worksheet" Target="worksheets/sheet${number}.xml"/>`,
      ) +
      `<Relationship Id="rId${titles.length + 1}" Type="${RELATIONS}/styles" Target="styles.xml"/></Relationships>`,
    'xl/styles.xml':
      `<styleSheet xmlns="${MAIN}"><fonts count="2"><font><sz val="11"/><name val="Calibri"/></font>` +
      '<font><b/><sz val="11"/><name val="Calibri"/></font></fonts><fills count="1"><fill><patternFill patternType="none"/></fill></fills>' +
      '<borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs>' +
      '<cellXfs count="2"><xf fontId="0"/><xf fontId="1" applyFont="1"/></cellXfs></styleSheet>',
  }
}
