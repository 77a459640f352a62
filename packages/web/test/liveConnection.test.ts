import { expect } from 'chai'
import { LiveConnection } from '../src/live/liveConnection.ts'

/** A server at the other end of a WebSocket: what it hears, and how it speaks. */
class FakeSocket {
  static opened: FakeSocket[] = []
  static readonly OPEN = 1
  readyState = 1
  heard: string[] = []
  onmessage: ((event: { data: string }) => void) | undefined
  onclose: (() => void) | undefined
  readonly url: string

  constructor(url: string) {
    this.url = url
    FakeSocket.opened.push(this)
  }

  send(text: string): void {
    this.heard.push(text)
  }

  close(): void {
    this.readyState = 3
  }

  say(text: string): void {
    this.onmessage?.({ data: text })
  }

  breakOff(): void {
    this.readyState = 3
    this.onclose?.()
  }
}

const GREETING = '0{"sid":"x","pingInterval":10000,"pingTimeout":8000}'
const turn = (milliseconds = 0): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))

describe('The line of a live session', () => {
  const before = { WebSocket: globalThis.WebSocket, fetch: globalThis.fetch, location: globalThis.location }
  let changes: boolean[]
  let passes = 0
  let line: LiveConnection
  beforeEach(() => {
    FakeSocket.opened = []
    changes = []
    Object.assign(globalThis, {
      WebSocket: FakeSocket,
      location: { protocol: 'http:', host: 'otter.quay.example' },
      fetch: () => Promise.resolve(new Response(JSON.stringify({ pass: `pass ${++passes}` }))),
    })
    line = new LiveConnection('/play/CODE/pass', () => changes.push(line.connected))
  })
  afterEach(() => {
    line.close()
    Object.assign(globalThis, before)
  })
  const socket = (): FakeSocket => FakeSocket.opened.at(-1)!

  async function connect(): Promise<void> {
    socket().say(GREETING)
    await turn(5)
    socket().say('40{"sid":"y"}')
  }

  it('connects with a pass, answers pings, and gives events to who listens', async () => {
    expect(socket().url).to.equal('ws://otter.quay.example/api/socket/?EIO=4&transport=websocket')
    await connect()
    expect(socket().heard[0]).to.match(/^40\{"pass":"pass \d+"\}$/u)
    expect(changes).to.deep.equal([true])
    socket().say('2')
    expect(socket().heard.at(-1)).to.equal('3')
    const heard: unknown[] = []
    const stop = line.on('reply', (data) => heard.push(data))
    socket().say('42["reply",{"a":1}]')
    socket().say('42["other",{"a":2}]')
    stop()
    socket().say('42["reply",{"a":3}]')
    expect(heard).to.deep.equal([{ a: 1 }])
  })

  it('gives each question its own answer, and none where none comes or the line breaks', async () => {
    await connect()
    const [one, other, never] = [line.ask('move', 1, 1000), line.ask('move', 2, 1000), line.ask('move', 3, 20)]
    const ids = socket()
      .heard.slice(-3)
      .map((text) => /^42(\d+)\["move",\d\]$/u.exec(text)![1])
    socket().say(`43${ids[1]}["second"]`)
    expect(await other).to.equal('second')
    expect(await never).to.equal(undefined)
    socket().breakOff()
    expect(await one).to.equal(undefined)
    expect(changes).to.deep.equal([true, false])
  })

  it('comes back by itself with a new pass, and stays away once it is closed', async () => {
    await connect()
    const first = socket()
    first.breakOff()
    await turn(1100)
    expect(FakeSocket.opened.length).to.equal(2)
    await connect()
    expect(socket().heard[0]).not.to.equal(first.heard[0])
    expect(changes).to.deep.equal([true, false, true])
    socket().say('44{"message":"pass"}')
    expect(line.connected).to.equal(false)
    line.close()
    await turn(1100)
    expect(FakeSocket.opened.length, 'nobody asks any more').to.equal(2)
  })
})
