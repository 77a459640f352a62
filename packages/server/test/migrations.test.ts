import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { gameOf, upgradedPlay, upgradedPuzzle, type GameKind } from '@otter/core'
import { expect } from 'chai'
import pg from 'pg'
import { migrate, NewerDatabase, VERSION } from '../src/db/migrate.ts'
import { unreachable } from '../src/db/unreachable.ts'
import { loadSample } from '../src/sample/load.ts'
import { Client, createDatabase, rows, startTestServer, type TestServer } from './testServer.ts'

interface StoredPlay {
  kind: GameKind
  puzzle: unknown
  madeBy: number
  state: unknown
  rules: number
  right: number
  total: number
  points: number
  bonus: number
  hints: number
  misses: number
  milliseconds: number
  ended: boolean
  questions: string[]
  answered: { entry: string; counts: boolean; outcome: string; round: string }[]
}

const STORED = `SELECT g.kind, v.puzzle, v.rules AS "madeBy", y.state, y.rules, y."right", y.total, y.points, y.bonus,
  y.hints, y.misses, y.milliseconds, y.ended_at IS NOT NULL AS ended,
  (SELECT array_agg(q.entry_id::text ORDER BY q.place) FROM questions q
    WHERE q.set_id = y.question_set_id) AS questions,
  (SELECT coalesce(jsonb_agg(jsonb_build_object('entry', r.entry_id, 'counts', r.counts, 'outcome', r.outcome,
    'round', r.round) ORDER BY r.id), '[]') FROM responses r WHERE r.play_id = y.id) AS answered
  FROM plays y JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id`

/** Fills a database as an earlier version left it. */
async function filledDatabase(fixture: string): Promise<string> {
  const url = await createDatabase('none')
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  await client.query(readFileSync(new URL(`./fixtures/${fixture}`, import.meta.url), 'utf8'))
  await client.end()
  return url
}

describe('Migrations', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer({ databaseUrl: await filledDatabase('schema-3.sql') })
  })
  after(() => server.close())

  it('bring plays of all nine games along: their totals, what they asked and what was answered agree with the games', async () => {
    const plays = await rows<StoredPlay>(server, STORED)
    expect(plays.length).to.be.greaterThan(60)
    expect(new Set(plays.map(({ kind }) => kind)).size).to.equal(9)
    for (const play of plays) {
      const game = gameOf(play.kind)
      expect([play.madeBy, play.rules]).to.deep.equal([1, 1])
      const puzzle = upgradedPuzzle(game, play.puzzle, play.madeBy)
      const state = upgradedPlay(game, play.state, play.rules, puzzle)
      const score = game.score(puzzle, state)
      const { right, total, points, bonus, hints, misses, milliseconds, ended } = play
      expect({ right, total, points, bonus, hints, misses, milliseconds, finished: ended }, play.kind).to.deep.equal(
        score,
      )
      expect(play.questions ?? [], play.kind).to.deep.equal(game.questions(puzzle, state).map(({ entryId }) => entryId))
      expect(play.answered.filter(({ counts, outcome }) => counts && outcome === 'right').length, play.kind).to.equal(
        right,
      )
      expect(play.answered.every(({ entry }) => play.questions.includes(entry))).to.equal(true)
    }
    const outcomes = plays.flatMap(({ answered }) => answered.map(({ outcome, round }) => `${round} ${outcome}`))
    expect([...new Set(outcomes)]).to.include.members([
      'first right',
      'first wrong',
      'first passed',
      'second right',
      'second wrong',
      'back wrong',
    ])
  })

  it('let plays under way go on by the rules of today, and count a play left open for weeks', async () => {
    const open = await rows<StoredPlay & { id: string; code: string; hash: string }>(
      server,
      `SELECT y.id, o.code, d.token_hash AS hash, g.kind, y.milliseconds FROM plays y JOIN game_versions v ON v.id = y.game_version_id
      JOIN games g ON g.id = v.game_id JOIN offers o ON o.id = y.offer_id JOIN devices d
        ON d.participant_id = y.participant_id WHERE y.ended_at IS NULL AND o.open`,
    )
    expect(open.length).to.be.greaterThan(20)
    // Tokens of the fixture are kept by nobody: each play gets one that is known.
    for (const { id, code, kind } of open) {
      const token = `known-token-of-${id.slice(0, 8)}`
      await rows(
        server,
        `UPDATE devices SET token_hash = $hash WHERE participant_id = (SELECT participant_id FROM plays
          WHERE id = $id)`,
        { hash: createHash('sha256').update(token).digest('base64'), id },
      )
      const student = new Client(server.url)
      const seen = await student.call('GET', `/play/${code}`, undefined, { 'X-Otter-Player': token })
      expect(seen.status, `${kind} ${seen.text}`).to.equal(200)
      const { play } = seen.body
      const ended = await student.call(
        'POST',
        `/play/${code}/moves`,
        { attempt: play.attempt, after: play.moves, move: { type: 'finish' } },
        { 'X-Otter-Player': token },
      )
      expect([ended.status, ended.body.play?.score.finished], kind).to.deep.equal([200, true])
      expect(ended.body.play.score.total, kind).to.equal(play.score.total)
    }
    const { longest } = (await rows<{ longest: number }>(server, 'SELECT max(milliseconds) AS longest FROM plays'))[0]!
    expect(longest).to.be.at.most(24 * 3600_000 + 60_000)
  })

  it('give entries several groups and standards, and links a teacher, seats and a game of their own', async () => {
    const [entry] = await rows<{ groups: string[]; standards: string[] }>(
      server,
      `SELECT groups, standards FROM entries WHERE answer ->> 'text' = 'cedar'`,
    )
    expect(entry).to.deep.equal({ groups: ['two'], standards: ['Sc.3'] })
    const { gaps } = (
      await rows<{ gaps: number }>(
        server,
        `SELECT count(*)::int AS gaps FROM offers o WHERE o.seats <> (SELECT coalesce(max(seat), 0) FROM participants p
        WHERE p.offer_id = o.id) OR NOT EXISTS (SELECT 1 FROM offer_games m WHERE m.offer_id = o.id)`,
      )
    )[0]!
    expect(gaps).to.equal(0)
  })

  it('leave what students did when its list is deleted, and delete it when that is asked for', async () => {
    const client = new Client(server.url)
    expect(
      (await client.call('POST', '/session', { email: 'ines@harlowquay.example', password: 'otters hold hands' }))
        .status,
    ).to.equal(200)
    const offers = (await client.call('GET', '/links')).body as { id: string; listId: string; title: string }[]
    const gone = offers.find(({ title }) => title === 'Gone soon')
    expect((await client.call('DELETE', `/lists/${gone?.listId}`)).status).to.equal(204)
    const kept = (await client.call('GET', '/links')).body as { id: string; listId: string | null }[]
    expect(kept.find(({ id }) => id === gone?.id)?.listId).to.equal(null)
    const { body: results } = await client.call('GET', `/links/${gone?.id}/results`)
    expect(results.participants.map(({ name, total }: { name: string; total: number }) => [name, total])).to.deep.equal(
      [['Greta', 5]],
    )
    expect((await client.call('POST', `/links/${gone?.id}/renew`)).status).to.equal(409)
    expect((await client.call('DELETE', `/links/${gone?.id}`)).status).to.equal(204)
    expect((await client.call('GET', `/links/${gone?.id}/results`)).status).to.equal(404)
    for (const { id } of kept)
      if (id !== gone?.id) expect((await client.call('GET', `/links/${id}/results.csv`)).status).to.equal(200)
  })

  it('run once where two servers start on one database, with the sample all or nothing', async () => {
    const databaseUrl = await createDatabase('none')
    const both = await Promise.all([startTestServer({ databaseUrl }), startTestServer({ databaseUrl })])
    await Promise.all(both.map(({ database, workers }) => loadSample(database, workers)))
    const { teachers, plays } = (
      await rows<{ teachers: number; plays: number }>(
        both[0],
        'SELECT (SELECT count(*)::int FROM teachers) AS teachers, (SELECT count(*)::int FROM plays) AS plays',
      )
    )[0]!
    expect([teachers, plays]).to.deep.equal([1, 42])
    await Promise.all(both.map((one) => one.close()))
  })

  it('say what an upgrade does, step by step, and nothing where the schema is new or of today', async () => {
    const said: string[] = []
    const tell = (line: string): number => said.push(line)
    const url = await filledDatabase('schema-3.sql')
    await migrate(url, { tell })
    const steps = Number(VERSION.split('.')[1])
    expect(said[0]).to.equal(`Upgrading the database from 0.3 to ${VERSION} …`)
    expect(
      said.slice(1).map((line) => /step (\d+)-\S+ of (\d+) is done, in [\d.]+ s\.$/u.exec(line)?.slice(1)),
    ).to.deep.equal(
      Array.from({ length: steps - 3 }, (_, index) => [String(index + 4).padStart(3, '0'), String(steps)]),
    )
    said.length = 0
    await migrate(url, { tell })
    await migrate(await createDatabase('none'), { tell })
    expect(said).to.deep.equal([])
  })

  it('plan an upgrade by what is in the tables by then', async () => {
    const url = await createDatabase('none')
    const last = Number(VERSION.split('.')[1])
    await migrate(url, { until: last - 1 })
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    // As it is where nobody has looked at a table since it was filled.
    await client.query('ALTER TABLE teachers SET (autovacuum_enabled = off)')
    await client.query(
      `INSERT INTO teachers (id, name, email, password_hash) SELECT gen_random_uuid(), 'T', n || '@school.example', 'x'
        FROM generate_series(1, 1000) n`,
    )
    await migrate(url)
    const { rows: known } = await client.query("SELECT reltuples FROM pg_class WHERE relname = 'teachers'")
    expect(known[0].reltuples).to.equal(1000)
    await client.end()
  })

  it('leave a database alone that knows more than the program, and say which version fits', async () => {
    const url = await createDatabase()
    const steps = Number(VERSION.split('.')[1])
    const error: unknown = await migrate(url, { until: steps - 2 }).catch((thrown: unknown) => thrown)
    expect(error).to.be.instanceOf(NewerDatabase)
    expect((error as Error).message)
      .to.include(`one of Jolly Otter ${VERSION}, and this is 0.${steps - 2},`)
      .and.include(`start ${VERSION} or newer`)
    await migrate(url)
    const { version } = JSON.parse(readFileSync(new URL('../../../package.json', import.meta.url), 'utf8')) as {
      version: string
    }
    expect(version, 'the version of the program tells its schema').to.match(
      new RegExp(`^${VERSION.replace('.', '\\.')}\\.`, 'u'),
    )
  })

  it('tell in a sentence what helps where there is no database', async () => {
    const cluster = new URL(process.env.TEST_CLUSTER_URL ?? '')
    const saidOf = async (change: (url: URL) => void): Promise<string | undefined> => {
      const url = new URL('/postgres', cluster)
      change(url)
      const error: unknown = await migrate(url.href).then(
        () => expect.fail('it is not there'),
        (thrown: unknown) => thrown,
      )
      return unreachable(error, url.href)
    }
    expect(await saidOf((url) => (url.port = '9'))).to.include('No database answers at 127.0.0.1:9.')
    expect(await saidOf((url) => (url.hostname = 'otter.invalid'))).to.include(
      'otter.invalid of DATABASE_URL is not known',
    )
    expect(await saidOf((url) => (url.password = 'guess')))
      .to.include('does not let otter in')
      .and.not.include('guess')
    expect(await saidOf((url) => (url.pathname = '/nowhere'))).to.include('there is no database nowhere')
    expect(unreachable(new Error('a fault of ours'), cluster.href)).to.equal(undefined)
  })
})
