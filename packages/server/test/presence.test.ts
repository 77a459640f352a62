import { expect } from 'chai'
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
}).timeout(60_000)
