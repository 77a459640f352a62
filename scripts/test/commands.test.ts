import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import pg from 'pg'
import { freePort, startCluster } from '../postgres.mjs'

const home = fileURLToPath(new URL('../..', import.meta.url))
let folder: string
before(() => {
  folder = mkdtempSync(join(tmpdir(), 'otter-commands-'))
  chmodSync(folder, 0o711)
})
after(() => rmSync(folder, { recursive: true, force: true }))

describe('npm run generate', () => {
  function generate(text: string, ...args: string[]): { status: number | null; out: string; error: string } {
    const file = join(folder, 'words.csv')
    writeFileSync(file, text)
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [join(home, 'scripts/generate.mjs'), 'wordsearch', file, ...args],
      { encoding: 'utf8' },
    )
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

describe('npm start', () => {
  function start(data: string, port: number, ...args: string[]): { child: ChildProcess; told: Promise<string> } {
    const child = spawn(process.execPath, [join(home, 'scripts/start.mjs'), ...args], {
      env: { ...process.env, OTTER_DATA: join(folder, data), PORT: String(port), DATABASE_URL: '', NODE_ENV: '' },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
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
  const postgresOf = (data: string): number =>
    Number(readFileSync(join(folder, data, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])
  /** Processes that a process has started, the oldest first. */
  const childrenOf = (pid: number): number[] =>
    readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').map(Number)
  const answers = async (port: number): Promise<boolean> =>
    fetch(`http://127.0.0.1:${port}/api/session`).then(
      (response) => response.ok,
      () => false,
    )

  /** Returns the code of the link that comes with the sample data. */
  async function codeOfSample(port: number): Promise<string> {
    const signIn = await fetch(`http://127.0.0.1:${port}/api/session/sample`, { method: 'POST' })
    const cookie = signIn.headers
      .getSetCookie()
      .map((line) => line.split(';')[0])
      .join('; ')
    const offers = (await (
      await fetch(`http://127.0.0.1:${port}/api/links`, { headers: { Cookie: cookie } })
    ).json()) as { code: string; kind: string }[]
    return offers.find(({ kind }) => kind === 'wordsearch')!.code
  }

  /**
   * Joins and asks for a hint to each of ten words, again and again until each is answered; returns what the server
   * kept.
   */
  async function playThrough(port: number, code: string, name: string): Promise<{ moves: number; hints: number }> {
    const address = `http://127.0.0.1:${port}/api/play/${code}`
    const ask = async (
      path: string,
      body: object,
      token = '',
    ): Promise<{ token?: string; play: { moves: number; score: { hints: number } } }> => {
      for (;;) {
        const reply = await fetch(address + path, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', 'X-Otter-Player': token },
          body: JSON.stringify(body),
        }).catch(() => undefined)
        // A server that is killed may have sent half of its reply.
        const told = reply?.ok ? await reply.json().catch(() => undefined) : undefined
        if (told) return told as { token?: string; play: { moves: number; score: { hints: number } } }
        expect(reply === undefined || reply.ok ? 500 : reply.status, 'nothing is refused for good').to.be.at.least(500)
        await new Promise((resolve) => setTimeout(resolve, 150))
      }
    }
    const { token } = await ask('/join', { name, keep: 'page', requestId: randomUUID() })
    let kept = { moves: 0, hints: 0 }
    for (let item = 0; item < 10; item++) {
      const { play } = await ask('/moves', { id: randomUUID(), attempt: 1, move: { type: 'hint', item } }, token)
      kept = { moves: play.moves, hints: play.score.hints }
      await new Promise((resolve) => setTimeout(resolve, 300))
    }
    return kept
  }

  it('serves, stops all of it at Ctrl-C, and starts again after it was killed', async () => {
    const port = await freePort()
    const first = start('data', port)
    expect(await first.told)
      .to.include(`http://localhost:${port}`)
      .and.include('Look around as Ines Okafor')
    expect(await answers(port)).to.equal(true)
    expect(await start('data', await freePort()).told).to.include('running from this folder already')
    const page = await (await fetch(`http://127.0.0.1:${port}/p/KFTW73`)).text()
    const [, script] = /src="(\/assets\/[^"]+\.js)"/u.exec(page)!
    const sent = async (encoding: string): Promise<[string | null, string | null, number]> => {
      const { headers } = await fetch(`http://127.0.0.1:${port}${script}`, { headers: { 'Accept-Encoding': encoding } })
      return [headers.get('content-encoding'), headers.get('cache-control'), Number(headers.get('content-length'))]
    }
    const [plain, gzip, brotli] = [await sent('identity'), await sent('gzip'), await sent('gzip, br')]
    expect([plain[0], gzip[0], brotli[0]]).to.deep.equal([null, 'gzip', 'br'])
    expect(brotli[2])
      .to.be.below(gzip[2])
      .and.below(plain[2] / 2)
    expect(brotli[1]).to.include('immutable')

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

  it('serves pages and server from their sources for developers, and stops all of it', async () => {
    const port = await freePort()
    const { child, told } = start('dev', port, '--dev')
    expect(await told).to.include(`http://localhost:${port}`)
    const page = async (path: string): Promise<string> => (await fetch(`http://127.0.0.1:${port}${path}`)).text()
    expect(await page('/lists')).to.include('/src/main.tsx')
    for (const path of ['/p/KFTW73', '/in', '/p/KFTW73?x=1']) expect(await page(path), path).to.include('/src/play.tsx')
    expect(await page('/src/ui/newId.ts')).to.include('export function newId')
    expect(await answers(port)).to.equal(true)
    expect((await fetch(`http://127.0.0.1:${port}/api/session/sample`, { method: 'POST' })).status).to.equal(200)
    child.kill('SIGTERM')
    expect(await closed(child)).to.equal(0)
    expect(() => postgresOf('dev')).to.throw('ENOENT')
    expect(await answers(port)).to.equal(false)
  })

  it('starts the server and the database again, each when it is killed, and loses nothing', async () => {
    const port = await freePort()
    const { child, told } = start('watched', port)
    expect(await told).to.include(`http://localhost:${port}`)
    let said = ''
    child.stderr?.on('data', (chunk: Buffer) => (said += chunk.toString()))
    const signedIn = async (): Promise<boolean> =>
      fetch(`http://127.0.0.1:${port}/api/session/sample`, { method: 'POST' }).then(
        (response) => response.ok,
        () => false,
      )
    const until = async (what: () => boolean | Promise<boolean>): Promise<void> => {
      for (let tries = 0; tries < 300; tries++) {
        if (await what()) return
        await new Promise((resolve) => setTimeout(resolve, 100))
      }
      throw new Error(`this never came; what was said: ${said}`)
    }
    expect(await signedIn()).to.equal(true)
    for (let round = 0; round < 2; round++) {
      said = ''
      const [server] = childrenOf(child.pid ?? 0)
      process.kill(server!, 'SIGKILL')
      await until(() => said.includes('The server is back.'))
      expect(said).to.include('The server stopped (SIGKILL)')
      expect(await signedIn()).to.equal(true)
    }
    // Students play on meanwhile: each move is sent until it is acknowledged, and counts once.
    said = ''
    const code = await codeOfSample(port)
    const playing = Promise.all(Array.from({ length: 6 }, (_, index) => playThrough(port, code, `Student ${index}`)))
    await new Promise((resolve) => setTimeout(resolve, 400))
    process.kill(childrenOf(child.pid ?? 0)[0]!, 'SIGKILL')
    await until(() => said.includes('The server is back.'))
    process.kill(postgresOf('watched'), 'SIGKILL')
    await until(() => said.includes('The database is back.'))
    expect(await playing).to.deep.equal(Array.from({ length: 6 }, () => ({ moves: 10, hints: 10 })))
    await until(signedIn)
    child.kill('SIGINT')
    expect(await closed(child)).to.equal(0)
  })

  it('keeps its database locked, under an ordinary user, and moves one of before along with its data', async () => {
    const place = join(folder, 'before')
    const first = await startCluster(place, { throwAway: true })
    const client = new pg.Client({ connectionString: first.url('postgres') })
    await client.connect()
    await client.query('CREATE TABLE kept AS SELECT 42 AS answer')
    await client.end()
    const isRoot = process.getuid?.() === 0
    if (isRoot) expect(statSync(join(first.data, 'PG_VERSION')).uid).not.to.equal(0)
    first.stop()
    // As an earlier version left it: open to every local user, owned by root, without a secret.
    writeFileSync(join(first.data, 'pg_hba.conf'), 'local all all trust\nhost all all 127.0.0.1/32 trust\n')
    rmSync(join(place, 'database-secret'))
    if (isRoot) spawnSync('chown', ['-R', 'root:root', place])
    // A folder that the database's user can't reach, as in root's own home.
    if (isRoot) chmodSync(place, 0o700)
    const second = await startCluster(place, { throwAway: true })
    if (isRoot)
      expect([second.data.startsWith(place), existsSync(join(place, 'postgres'))]).to.deep.equal([false, false])
    const again = new pg.Client({ connectionString: second.url('postgres') })
    await again.connect()
    expect((await again.query('SELECT answer FROM kept')).rows).to.deep.equal([{ answer: 42 }])
    await again.end()
    for (const password of ['', 'guess']) {
      const stranger = new pg.Client({
        host: '127.0.0.1',
        port: second.port,
        user: 'otter',
        database: 'postgres',
        password,
      })
      await stranger.connect().then(
        () => expect.fail('nobody gets in without the secret'),
        (error: Error) => expect(error.message).to.match(/password|SASL/iu),
      )
    }
    if (isRoot) {
      const status = readFileSync(
        `/proc/${readFileSync(join(second.data, 'postmaster.pid'), 'utf8').split('\n')[0]}/status`,
        'utf8',
      )
      expect(status.match(/^Uid:\s+(\d+)/mu)?.[1]).not.to.equal('0')
      expect(status).to.match(/NoNewPrivs:\s+1/u)
    }
    second.stop()
    if (!second.data.startsWith(place)) rmSync(join(second.data, '..'), { recursive: true, force: true })
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
