/** What is on the clipboard, as a paste gives it. */
export interface Pasted {
  text: string
  /** Cells of the first table in the pasted HTML, as spreadsheets and word processors put it there. */
  cells: string[][] | undefined
  files: File[]
}

/** Longest HTML that is looked into, in UTF-16 units. */
const MAX_HTML = 20_000_000

/** Reads a clipboard: its text, the cells of a table, and files such as a picture. */
export function readClipboard(data: DataTransfer): Pasted {
  const html = data.getData('text/html')
  return {
    text: data.getData('text/plain'),
    cells: html === '' || html.length > MAX_HTML ? undefined : cellsOf(html),
    files: [...data.files],
  }
}

function cellsOf(html: string): string[][] | undefined {
  // Parsed for its text alone: scripts don't run and pictures don't load in a document that is not shown.
  const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table')
  if (!table) return undefined
  const rows = [...table.rows].map((row) =>
    [...row.cells].flatMap((cell) => [
      textOf(cell),
      ...Array.from({ length: Math.min(50, cell.colSpan) - 1 }, () => ''),
    ]),
  )
  return rows.length > 0 ? rows : undefined
}

function textOf(cell: HTMLTableCellElement): string {
  for (const line of cell.querySelectorAll('br')) line.replaceWith('\n')
  const blocks = [...cell.querySelectorAll('p, div, li')]
  const text = blocks.length > 0 ? blocks.map((block) => block.textContent ?? '').join('\n') : (cell.textContent ?? '')
  return text
    .split('\n')
    .map((line) => line.replace(/\s+/gu, ' ').trim())
    .join('\n')
    .trim()
}
