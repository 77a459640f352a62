import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import pg from 'pg'
import { Server } from 'socket.io'

/** Length of what a player is told after a move, in letters: about that of a question. */
const REPLY = 'x'.repeat(1500)

/** A bare Socket.IO server: echoes, after one INSERT for each message. */
export async function runBareServer(): Promise<void> {
  const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 10 })
  await pool.query('CREATE TABLE messages (id uuid PRIMARY KEY, message jsonb NOT NULL)')
  const http = createServer()
  const server = new Server(http, { transports: ['websocket'], serveClient: false })
  const keep = (id: string, message: unknown): Promise<unknown> =>
    pool.query({
      name: 'keep',
      text: 'INSERT INTO messages (id, message) VALUES ($1, $2)',
      values: [id, JSON.stringify(message)],
    })
  server.on('connection', (socket) => {
    socket.on('join', (id: string, acknowledge: (reply: string) => void) => {
      void keep(id, { type: 'join' }).then(() => acknowledge(REPLY))
    })
    socket.on('move', (message: { id: string }, acknowledge: (reply: string) => void) => {
      void keep(message.id, message).then(() => acknowledge(REPLY))
    })
  })
  http.listen(0, '127.0.0.1', () => process.send?.({ ready: (http.address() as AddressInfo).port }))
  process.once('SIGTERM', () => process.exit(0))
}
