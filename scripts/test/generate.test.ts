import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'

const home = fileURLToPath(new URL('../..', import.meta.url))
let folder: string
before(() => {
  folder = mkdtempSync(join(tmpdir(), 'otter-commands-'))
})
after(() => rmSync(folder, { recursive: true, force: true }))

describe('npm run generate', () => {
  /** Runs what the command has built before; the first time the command itself. */
  let program = 'scripts/generate.mjs'
  function generate(text: string, ...args: string[]): { status: number | null; out: string; error: string } {
    const file = join(folder, 'words.csv')
    writeFileSync(file, text)
    const { status, stdout, stderr } = spawnSync(process.execPath, [join(home, program), 'wordsearch', file, ...args], {
      encoding: 'utf8',
    })
    program = 'dist/generate-alone.mjs'
    return { status, out: stdout, error: stderr }
  }
  const LIST = 'Word,Clue\nsmoker,"calms, with smoke"\ndrone,male bee\nbrood,young bees\nx,too short\n'

  it('prints a puzzle as JSON, the same for the same seed', () => {
    const puzzle = JSON.parse(generate(LIST, '--seed', '7', '--rows', '9', '--cols', '12', '--directions', '2').out)
    expect(puzzle).to.include({ game: 'wordsearch', seed: '7' })
    expect([puzzle.rows.length, puzzle.rows[0].length]).to.deep.equal([9, 12])
    for (const { text, row, col, dRow, dCol } of puzzle.words) {
      expect([...text].map((_, index) => puzzle.rows[row + dRow * index][col + dCol * index]).join('')).to.equal(
        text.toUpperCase(),
      )
      expect([
        [0, 1],
        [1, 0],
      ]).to.deep.include([dRow, dCol])
    }
    expect(puzzle.unplaced).to.deep.equal([{ entryId: '4', text: 'x', why: 'too-short' }])
    expect(puzzle.ms).to.be.a('number').above(0)
    expect(
      JSON.parse(generate(LIST, '--seed', '7', '--rows', '9', '--cols', '12', '--directions', '2').out).rows,
    ).to.deep.equal(puzzle.rows)
  })

  it('answers bad input with one line and exit code 2', () => {
    const bad = [
      generate(''),
      generate('x,y\n'),
      generate(LIST, '--rows', '9'),
      generate(LIST, '--directions', '5'),
      generate(LIST, '--size', 'huge'),
      generate(LIST, '--nonsense'),
      generate(LIST, '--rows', '12', '--cols', '12', '--message', 'hi'),
      generate(LIST, 'second.csv'),
    ]
    for (const { status, out, error } of bad) {
      expect([status, out]).to.deep.equal([2, ''])
      expect(error).to.match(/^[^\n]+\n$/)
    }
  })
}).timeout(600_000)
