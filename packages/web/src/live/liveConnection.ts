import { SOCKET_PATH, TOKEN_HEADER, type PassReply } from '@otter/api'
import { noConnection, request } from '../api/client.ts'

/** Waits before a connection is tried again, in milliseconds: they grow, and a class does not come back at one instant. */
const FIRST_WAIT = 500
const LONGEST_WAIT = 4000
/** Kinds of packets of Engine.IO 4, and, after a message's, of Socket.IO 5. */
const PACKET = { open: '0', ping: '2', pong: '3', message: '4' }
const MESSAGE = { connect: '0', disconnect: '1', event: '2', acknowledgement: '3', refused: '4' }

type Listener = (data: never) => void

/**
 * A connection to a live session, by the open protocol of Socket.IO over a WebSocket: as much of it as is needed here, so
 * that a phone has little to fetch. It connects again by itself, to any server, with a new pass each time.
 */
export class LiveConnection {
  connected = false
  private readonly passPath: string
  private readonly onChange: () => void
  private readonly token: string | undefined
  private readonly listeners = new Map<string, Listener>()
  private readonly awaited = new Map<number, (answer: unknown) => void>()
  private socket: WebSocket | undefined
  private lastId = 0
  private wait = FIRST_WAIT
  private silence = Infinity
  private timer: ReturnType<typeof setTimeout> | undefined
  private watch: ReturnType<typeof setTimeout> | undefined
  private isClosed = false

  /**
   * @param passPath path of the API that gives passes
   * @param onChange is told when it is connected, or no more
   * @param token what a device without an account shows itself by
   */
  constructor(passPath: string, onChange: () => void, token?: string) {
    this.passPath = passPath
    this.onChange = onChange
    this.token = token
    this.open()
  }

  /** Listens to an event; one listener for each. Returns how to stop. */
  on<Data>(event: string, listener: (data: Data) => void): () => void {
    this.listeners.set(event, listener)
    return () => void this.listeners.delete(event)
  }

  /** Sends an event; returns the answer, or undefined where none comes in a time, in milliseconds. */
  ask<Answer>(event: string, data: unknown, patience: number): Promise<Answer | undefined> {
    const id = ++this.lastId
    return new Promise((resolve) => {
      const done = (answer: unknown): void => {
        clearTimeout(timer)
        this.awaited.delete(id)
        resolve(answer as Answer | undefined)
      }
      const timer = setTimeout(() => done(undefined), patience)
      this.awaited.set(id, done)
      this.send(`${MESSAGE.event}${id}${JSON.stringify([event, data])}`)
    })
  }

  close(): void {
    this.isClosed = true
    clearTimeout(this.timer)
    clearTimeout(this.watch)
    this.socket?.close()
  }

  private open(): void {
    const socket = new WebSocket(
      `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}${SOCKET_PATH}/?EIO=4&transport=websocket`,
    )
    this.socket = socket
    socket.onmessage = ({ data }) => {
      if (typeof data === 'string' && socket === this.socket) this.hear(data)
    }
    socket.onclose = () => {
      if (socket === this.socket) this.lost()
    }
  }

  /** Without a word for longer than the server lets pass between two, nobody is there any more. */
  private keepWatch(): void {
    clearTimeout(this.watch)
    if (Number.isFinite(this.silence)) this.watch = setTimeout(() => this.lost(), this.silence)
  }

  private hear(packet: string): void {
    this.keepWatch()
    const rest = packet.slice(1)
    if (packet[0] === PACKET.ping) this.socket?.send(PACKET.pong)
    else if (packet[0] === PACKET.open) {
      const { pingInterval, pingTimeout } = JSON.parse(rest) as { pingInterval: number; pingTimeout: number }
      this.silence = pingInterval + pingTimeout
      this.keepWatch()
      this.askPass().then(
        ({ pass }) => this.send(`${MESSAGE.connect}${JSON.stringify({ pass })}`),
        () => this.lost(),
      )
    } else if (packet[0] === PACKET.message) this.hearMessage(rest)
  }

  private async askPass(): Promise<PassReply> {
    const headers: Record<string, string> = this.token === undefined ? {} : { [TOKEN_HEADER]: this.token }
    const response = await request('POST', this.passPath, {}, { headers })
    return (await response.json().catch(noConnection)) as PassReply
  }

  private hearMessage(message: string): void {
    const [, id = '', content = ''] = /^.(\d*)([\s\S]*)$/u.exec(message) ?? []
    if (message[0] === MESSAGE.connect) {
      this.wait = FIRST_WAIT
      this.change(true)
    } else if (message[0] === MESSAGE.event) {
      const [event, data] = JSON.parse(content) as [string, never]
      this.listeners.get(event)?.(data)
    } else if (message[0] === MESSAGE.acknowledgement)
      this.awaited.get(Number(id))?.((JSON.parse(content) as unknown[])[0])
    else if (message[0] === MESSAGE.refused || message[0] === MESSAGE.disconnect) this.lost()
  }

  private send(message: string): void {
    if (this.socket?.readyState === WebSocket.OPEN) this.socket.send(PACKET.message + message)
  }

  /** The connection is gone: what waits for an answer gets none, and it is tried again after a while. */
  private lost(): void {
    const { socket } = this
    this.socket = undefined
    socket?.close()
    clearTimeout(this.watch)
    for (const done of [...this.awaited.values()]) done(undefined)
    this.change(false)
    if (this.isClosed) return
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.open(), this.wait * (0.5 + Math.random()))
    this.wait = Math.min(LONGEST_WAIT, this.wait * 2)
  }

  private change(connected: boolean): void {
    if (connected === this.connected) return
    this.connected = connected
    if (!this.isClosed) this.onChange()
  }
}
