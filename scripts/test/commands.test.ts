import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { freePort } from '../postgres.mjs'

const home = fileURLToPath(new URL('../..', import.meta.url))
let folder: string
before(() => {
  folder = mkdtempSync(join(tmpdir(), 'otter-commands-'))
})
after(() => rmSync(folder, { recursive: true, force: true }))

describe('npm run generate', () => {
  function generate(text: string, ...args: string[]): { status: number | null; out: string; error: string } {
    const file = join(folder, 'words.csv')
    writeFileSync(file, text)
    const { status, stdout, stderr } = spawnSync(process.execPath, [join(home, 'scripts/generate.mjs'), 'wordsearch', file, ...args], { encoding: 'utf8' })
    return { status, out: stdout, error: stderr }
  }
  const LIST = 'Word,Clue\nsmoker,"calms, with smoke"\ndrone,male bee\nbrood,young bees\nx,too short\n'

  it('prints a puzzle as JSON, the same for the same seed', () => {
    const puzzle = JSON.parse(generate(LIST, '--seed', '7', '--rows', '9', '--cols', '12', '--directions', '2').out)
    expect(puzzle).to.include({ game: 'wordsearch', seed: '7' })
    expect([puzzle.rows.length, puzzle.rows[0].length]).to.deep.equal([9, 12])
    for (const { text, row, col, dRow, dCol } of puzzle.words) {
      expect([...text].map((_, index) => puzzle.rows[row + dRow * index][col + dCol * index]).join('')).to.equal(text.toUpperCase())
      expect([[0, 1], [1, 0]]).to.deep.include([dRow, dCol])
    }
    expect(puzzle.unplaced).to.deep.equal([{ entryId: '4', text: 'x', why: 'too-short' }])
    expect(puzzle.ms).to.be.a('number').above(0)
    expect(JSON.parse(generate(LIST, '--seed', '7', '--rows', '9', '--cols', '12', '--directions', '2').out).rows).to.deep.equal(puzzle.rows)
  })

  it('answers bad input with one line and exit code 2', () => {
    const bad = [
      generate(''), generate('x,y\n'), generate(LIST, '--rows', '9'), generate(LIST, '--directions', '5'), generate(LIST, '--size', 'huge'), generate(LIST, '--nonsense'),
      generate(LIST, '--rows', '12', '--cols', '12', '--message', 'hi'), generate(LIST, 'second.csv'),
    ]
    for (const { status, out, error } of bad) {
      expect([status, out]).to.deep.equal([2, ''])
      expect(error).to.match(/^[^\n]+\n$/)
    }
  })
}).timeout(600_000)

describe('npm start', () => {
  function start(data: string, port: number): { child: ChildProcess; told: Promise<string> } {
    const child = spawn(process.execPath, [join(home, 'scripts/start.mjs')], { env: { ...process.env, OTTER_DATA: join(folder, data), PORT: String(port), DATABASE_URL: '', NODE_ENV: '' }, stdio: ['ignore', 'pipe', 'pipe'] })
    const told = new Promise<string>((resolve) => {
      let output = ''
      const hear = (chunk: Buffer): void => {
        output += chunk.toString()
        if (output.includes('Ctrl-C stops it')) resolve(output)
      }
      child.stdout?.on('data', hear)
      child.stderr?.on('data', hear)
      child.once('close', () => resolve(output))
    })
    return { child, told }
  }
  const closed = (child: ChildProcess): Promise<number | null> => new Promise((resolve) => child.once('exit', resolve))
  const postgresOf = (data: string): number => Number(readFileSync(join(folder, data, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])
  const answers = async (port: number): Promise<boolean> => fetch(`http://127.0.0.1:${port}/api/session`).then((response) => response.ok, () => false)

  it('serves, stops all of it at Ctrl-C, and starts again after it was killed', async () => {
    const port = await freePort()
    const first = start('data', port)
    expect(await first.told).to.include(`http://localhost:${port}`).and.include('Look around as Ines Okafor')
    expect(await answers(port)).to.equal(true)
    expect(await start('data', await freePort()).told).to.include('running from this folder already')

    first.child.kill('SIGKILL')
    await closed(first.child)
    const second = start('data', port)
    expect(await second.told).to.include(`http://localhost:${port}`)
    const began = Date.now()
    second.child.kill('SIGINT')
    expect(await closed(second.child)).to.equal(0)
    expect(Date.now() - began).to.be.below(40_000)
    expect(await answers(port)).to.equal(false)
    expect(() => postgresOf('data')).to.throw('ENOENT')
  })

  it('says what to do when its port is taken or makes no sense', async () => {
    const port = await freePort()
    const other = createServer().listen(port)
    const busy = start('other', port)
    expect(await busy.told).to.equal(`Port ${port} is in use. Choose another: PORT=${port + 1} npm start\n`)
    other.close()
    expect(await start('other', 99999).told).to.include('use a number from 1 to 65535')
  })
}).timeout(600_000)
