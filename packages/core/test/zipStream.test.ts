import { expect } from 'chai'
import fc from 'fast-check'
import { unzipSync } from 'fflate'
import { runs } from '../../../scripts/testing/lane.mjs'
import { fileNameOf, zipStream } from '../src/formats/index.ts'

describe('A zip archive written piece by piece', () => {
  it('unpacks to the files that were put in, given on file by file', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.stringMatching(/^[a-z]{1,8}$/u), fc.uint8Array({ maxLength: 3000 })), {
          selector: ([name]) => name,
          maxLength: 8,
        }),
        (files) => {
          const pieces: Uint8Array[] = []
          const zip = zipStream((piece) => pieces.push(piece))
          for (const [name, bytes] of files) {
            const before = pieces.length
            zip.add(`folder/${name}`, bytes)
            expect(pieces.length, 'a file waits for no other').to.be.greaterThan(before)
          }
          zip.end()
          const unpacked = unzipSync(Buffer.concat(pieces))
          expect(Object.keys(unpacked)).to.deep.equal(files.map(([name]) => `folder/${name}`))
          for (const [name, bytes] of files)
            expect(Buffer.from(unpacked[`folder/${name}`]!)).to.deep.equal(Buffer.from(bytes))
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('names files so that every system takes them, and keeps what can be kept of a title', () => {
    expect(fileNameOf('Bees: a/b "c" <d> | e? …')).to.equal('Bees a b c d e …')
    expect(fileNameOf('תפוח ולחם')).to.equal('תפוח ולחם')
    expect(fileNameOf(' .. ')).to.equal('')
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 120 }), (title) => {
        const name = fileNameOf(title)
        expect(name).to.match(/^[^\p{Cc}<>:"/\\|?*]{0,60}$/u)
        expect(name).not.to.match(/[. ]$/u)
      }),
    )
  })
})
