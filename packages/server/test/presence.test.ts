import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { holdLeases } from '../src/db/queries/leases.ts'
import { inScope } from '../src/db/scope.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { LiveRooms, StudentScreen, until } from './liveScreens.ts'
import { rows, startTestServer, type TestServer } from './testServer.ts'

describe('A student with sockets on two servers', () => {
  const rooms = new LiveRooms()
  let other: TestServer
  before(async () => {
    other = await startTestServer({ databaseUrl: rooms.server.databaseUrl, sockets: true })
  })
  after(() => other.close())

  const known = async (id: string): Promise<{ servers: number; isGone: boolean }> => {
    const [found] = await rows<{ servers: number; isGone: boolean }>(
      rooms.server,
      `SELECT (SELECT count(*)::int FROM leases l WHERE l.participant_id = p.id) AS servers,
        coalesce(p.gone_at > p.here_at, false) AS "isGone" FROM participants p WHERE p.offer_id = $id`,
      { id },
    )
    return found!
  }
  /** Brings Ama in with a device on each server, and waits until both have written it down. */
  async function onBoth(): Promise<{ id: string; seen: boolean[]; one: StudentScreen; two: StudentScreen }> {
    const { host, id, code } = await rooms.host({ kind: 'quiz', live: { way: 'ownpace' } })
    const one = await rooms.student(code, { name: 'Ama' })
    const two = new StudentScreen(other.url, code, one.client)
    await two.connect()
    await until('both servers to say so', async () => (await known(id)).servers === 2)
    await until('the host to see her', () => host.named('Ama')?.connected === true)
    const seen: boolean[] = []
    const look = setInterval(() => seen.push(host.named('Ama')!.connected), 20)
    two.socket!.once('disconnect', () => setTimeout(() => clearInterval(look), 500))
    return { id, seen, one, two }
  }

  it('is here until the last one closes, whichever closes first, and has no absence', async () => {
    const { id, seen, one, two } = await onBoth()
    one.socket!.disconnect()
    await until('the first server to have written it', async () => (await known(id)).servers === 1)
    await new Promise((resolve) => setTimeout(resolve, 400))
    expect([(await known(id)).isGone, seen.includes(false)]).to.deep.equal([false, false])
    expect(seen.length).to.be.greaterThan(5)
    two.socket!.disconnect()
    await until('her to be gone', async () => (await known(id)).isGone)
    expect((await known(id)).servers).to.equal(0)
  })

  it('is gone where both close at the same moment, and where the other server was killed half a minute ago', async () => {
    const { id, one, two } = await onBoth()
    one.socket!.disconnect()
    two.socket!.disconnect()
    await until('her to be gone', async () => (await known(id)).isGone)
    await Promise.all([one.connect(), two.connect()])
    await until('both servers to say so', async () => (await known(id)).servers === 2)
    expect((await known(id)).isGone).to.equal(false)
    await rows(rooms.server, `UPDATE leases SET until = clock_timestamp() - interval '1 second'`)
    one.socket!.disconnect()
    await until('her to be gone', async () => (await known(id)).isGone)
    two.socket!.disconnect()
  })

  it('is renewed by both servers at the same moment after the database was away', async () => {
    const { id, code } = await rooms.host({ kind: 'quiz', live: { way: 'ownpace' } })
    const names = Array.from({ length: 16 }, (_, index) => `Student ${index}`)
    await Promise.all(names.map((name) => new StudentScreen(rooms.server.url, code).join({ name })))
    const people = await rows<{ id: string }>(rooms.server, 'SELECT id FROM participants WHERE offer_id = $id', { id })
    const halves = [people.slice(0, 8), people.slice(8)].map((half) => half.map((one) => one.id))
    const servers = halves.map(() => randomUUID())
    const renewed = (): Promise<unknown> =>
      Promise.all(
        halves.map((half, index) =>
          inScope(
            { database: [rooms.server, other][index]!.database, puzzles: new PuzzleCache() },
            { teacherId: null },
            (scope) => holdLeases(scope, servers[index]!, half),
          ),
        ),
      )
    for (let round = 0; round < 20; round++) {
      await renewed()
      await rows(rooms.server, `UPDATE leases SET until = clock_timestamp() - interval '1 second'`)
    }
    await renewed()
    const [{ held } = { held: 0 }] = await rows<{ held: number }>(
      rooms.server,
      'SELECT count(*)::int AS held FROM leases WHERE server_id = ANY ($servers::uuid[]) AND until > clock_timestamp()',
      { servers },
    )
    expect(held).to.equal(16)
    // The database counts them a moment later.
    await new Promise((resolve) => setTimeout(resolve, 1500))
    const counted = await rows(
      rooms.server,
      'SELECT deadlocks::int FROM pg_stat_database WHERE datname = current_database()',
    )
    expect(counted, 'none waited for the other in a circle').to.deep.equal([{ deadlocks: 0 }])
  })
}).timeout(60_000)
