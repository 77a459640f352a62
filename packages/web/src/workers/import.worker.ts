import {
  FileRefusal,
  looksLikeIpuz,
  readArchive,
  readDelimited,
  readIpuz,
  readWorkbook,
  tableOfSheet,
} from '@otter/core/formats'
import type { ImportAnswer, ImportRequest, ReadFile } from './importAnswer.ts'

/** No file is larger than this; in bytes. */
const LARGEST = 40_000_000
/** A crossword is never longer; in bytes. */
const LARGEST_TEXT = 2_000_000

addEventListener('message', ({ data: request }: MessageEvent<ImportRequest>) => {
  const say = (answer: ImportAnswer): void => postMessage(answer)
  void read(request, say).then(
    (result) => say({ read: result }),
    (error: unknown) => {
      if (error instanceof FileRefusal) say({ refusal: error.code })
      else
        setTimeout(() => {
          throw error
        })
    },
  )
})

/** Reads a file by its content; its name decides only where the content could be either. */
async function read(
  { file, encoding, separator }: ImportRequest,
  say: (answer: ImportAnswer) => void,
): Promise<ReadFile> {
  if (file.size > LARGEST) throw new FileRefusal('too-big')
  say({ stage: 'reading' })
  const bytes = new Uint8Array(await file.arrayBuffer())
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b
  const text = isZip ? '' : new TextDecoder().decode(bytes.subarray(0, LARGEST_TEXT))
  if (looksLikeIpuz(text)) return { kind: 'tables', sheets: [{ name: file.name, table: readIpuz(text) }] }
  if (!isZip) {
    const { table, ...text } = readDelimited(bytes, { encoding, separator })
    return { kind: 'tables', sheets: [{ name: file.name, table }], text }
  }
  say({ stage: 'unpacking' })
  if (!/\.xls[xm]$/iu.test(file.name)) {
    try {
      return { kind: 'archive', ...readArchive(bytes) }
    } catch (error) {
      if (!(error instanceof FileRefusal) || error.code !== 'not-this-kind') throw error
    }
  }
  const sheets = (await readWorkbook(bytes))
    .map((sheet) => ({ name: sheet.name, table: tableOfSheet(sheet) }))
    .filter(({ table }) => table.rows.length + table.left.length > 0 || table.header)
  if (sheets.length === 0) throw new FileRefusal('empty')
  return { kind: 'tables', sheets }
}
