import { expect } from 'chai'
import fc from 'fast-check'
import readWorkbookFile from 'read-excel-file/universal'
import { runs } from '../../../scripts/testing/lane.mjs'
import { workbookStream, type WorkbookCell } from '../src/formats/index.ts'

/** Reads a workbook with a reader that has nothing to do with what wrote it. */
async function read(pieces: readonly Uint8Array[]): Promise<{ sheet: string; data: unknown[][] }[]> {
  const bytes = Buffer.concat(pieces)
  return readWorkbookFile(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer)
}

const text = fc
  .oneof(fc.string({ maxLength: 20 }), fc.constantFrom('=1+1', '<&>"', '_x0041_', 'a\u0007b', 'שלום', '𝄞', ' x '))
  .filter((one) => one.trim() !== '' && !/[\r\n\t]/u.test(one))
const cell: fc.Arbitrary<WorkbookCell> = fc.oneof(
  text,
  fc.integer({ min: -1000, max: 1000 }),
  fc.double({ min: -100, max: 100, noNaN: true }).map((one) => Math.round(one * 100) / 100 + 0),
)

describe('A workbook written row by row', () => {
  it('reads as it was written: numbers as numbers, texts as texts, formulas as none', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), { minLength: 1, maxLength: 3 }),
        async (sheets) => {
          const pieces: Uint8Array[] = []
          const book = workbookStream((piece) => pieces.push(piece))
          for (const rows of sheets) {
            book.sheet('Sheet', ['one', 'other'])
            for (const row of rows) book.row(row)
          }
          book.end()
          const got = await read(pieces)
          expect(got.map(({ sheet }) => sheet)).to.deep.equal(
            sheets.map((_, index) => (index === 0 ? 'Sheet' : `Sheet ${index + 1}`)),
          )
          for (const [index, rows] of sheets.entries()) {
            // What XML can't hold is left out; a reader trims.
            const kept = rows.map((row) =>
              row.map((one) =>
                typeof one === 'string' ? one.replace(/[\u0000-\u001f\ufffe\uffff]/gu, '').trim() || null : one,
              ),
            )
            const told = got[index]!.data.slice(1).map((row) =>
              row.map((one) => (typeof one === 'string' ? one.trim() || null : one)),
            )
            expect(told).to.deep.equal(kept.filter((row) => row.some((one) => one !== null)))
          }
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('takes a hundred thousand rows without keeping them', () => {
    let [bytes, largest] = [0, 0]
    const book = workbookStream((piece) => {
      bytes += piece.length
      largest = Math.max(largest, piece.length)
    })
    book.sheet('Responses', ['student', 'given'])
    let given = 0
    for (let row = 0; row < 100_000; row++) {
      book.row([`Student ${row % 40}`, `answer ${row}`])
      if (row === 50_000) given = bytes
    }
    book.end()
    expect(given, 'half of it was given on when half was written').to.be.above(bytes * 0.4)
    expect(largest).to.be.below(200_000)
  })

  it('is refused where a row comes before its sheet', () => {
    expect(() => workbookStream(() => undefined).row(['x'])).to.throw('No sheet')
  })
})
