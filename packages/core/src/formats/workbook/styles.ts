import { attribute, elementsOf, tagsOf } from './xml.ts'

/** How cells of a style look and how their numbers are written (ECMA-376, SpreadsheetML styles). */
export interface CellStyle {
  /** Code by which numbers are written, such as "0%" or "h:mm"; empty for none. */
  format: string
  /** Bold, colour and ground; empty for a plain cell. */
  look: string
}

/** Codes that a workbook names by number alone, of those that are shown otherwise than they are kept. */
const BUILT_IN: Record<string, string> = {
  '9': '0%',
  '10': '0.00%',
  '12': '# ?/?',
  '13': '# ??/??',
  '18': 'h:mm AM/PM',
  '19': 'h:mm:ss AM/PM',
  '20': 'h:mm',
  '21': 'h:mm:ss',
  '45': 'mm:ss',
  '46': '[h]:mm:ss',
  '47': 'mm:ss',
}

/** Returns the styles of a workbook, by the number that cells name them by. */
export function stylesOf(xml: string): CellStyle[] {
  const formats = new Map(
    [...tagsOf(xml, 'numFmt')].map(({ tag }) => [attribute(tag, 'numFmtId'), unescaped(attribute(tag, 'formatCode'))]),
  )
  const fonts = elementsOf(partOf(xml, 'fonts'), 'font').map(lookOfFont)
  const fills = elementsOf(partOf(xml, 'fills'), 'fill').map(lookOfFill)
  return [...tagsOf(partOf(xml, 'cellXfs'), 'xf')].map(({ tag }) => {
    const id = attribute(tag, 'numFmtId')
    return {
      format: formats.get(id) ?? BUILT_IN[id] ?? '',
      look: `${fonts[Number(attribute(tag, 'fontId'))] ?? ''}${fills[Number(attribute(tag, 'fillId'))] ?? ''}`,
    }
  })
}

function lookOfFont(xml: string): string {
  const bold = [...tagsOf(xml, 'b')][0]?.tag
  const isBold = bold !== undefined && !/val="(?:0|false)"/u.test(bold)
  return `${isBold ? 'bold' : ''}${colourOf(xml, 'color')}`
}

function lookOfFill(xml: string): string {
  return /patternType="solid"/u.test(xml) ? `on${colourOf(xml, 'fgColor')}` : ''
}

/** Returns a colour by its name; the plain one of text is none. */
function colourOf(xml: string, name: string): string {
  const tag = [...tagsOf(xml, name)][0]?.tag ?? ''
  const colour = attribute(tag, 'rgb') || (attribute(tag, 'theme') && `theme${attribute(tag, 'theme')}`)
  return ['FF000000', '00000000', 'theme1'].includes(colour) ? '' : colour
}

function partOf(xml: string, name: string): string {
  const from = xml.indexOf(`<${name}`)
  const to = xml.indexOf(`</${name}>`, from)
  return from < 0 || to < 0 ? '' : xml.slice(from, to)
}

function unescaped(text: string): string {
  return text.replaceAll('&quot;', '"').replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&')
}
