// A small proxy before several servers on this machine: requests and sockets go to each in turn, and past one that is
// down. No server owns a client, so that it needs no memory of who went where. Node built-ins only.
import { createServer, request } from 'node:http'
import { connect } from 'node:net'

/** How long a server that refused is passed over, in milliseconds. */
const REST = 1000

/** Starts a proxy on a port; returns it once it listens. */
export function startProxy(port, serverPorts) {
  let turn = 0
  const restsUntil = new Map()
  /** The servers in the order in which they are tried: those that just refused come last. */
  const order = () => {
    turn = (turn + 1) % serverPorts.length
    const all = [...serverPorts.slice(turn), ...serverPorts.slice(0, turn)]
    const rests = (one) => (restsUntil.get(one) ?? 0) > Date.now()
    return [...all.filter((one) => !rests(one)), ...all.filter(rests)]
  }
  const refused = (one) => restsUntil.set(one, Date.now() + REST)
  const forwarded = ({ headers, socket }) => ({
    ...headers,
    'x-forwarded-for': [headers['x-forwarded-for'], socket.remoteAddress].filter(Boolean).join(', '),
    'x-forwarded-proto': headers['x-forwarded-proto'] ?? 'http',
  })
  const proxy = createServer((incoming, outgoing) => {
    const tryNext = ([serverPort, ...rest]) => {
      if (serverPort === undefined) {
        outgoing.writeHead(503, { 'Content-Type': 'text/plain' }).end('No server answers just now.')
        return
      }
      const { method, url } = incoming
      const asked = request(
        // A connection of its own: one that is kept may close in the moment it is used again.
        { host: '127.0.0.1', port: serverPort, method, path: url, headers: forwarded(incoming), agent: false },
        (reply) => {
          outgoing.writeHead(reply.statusCode ?? 502, reply.rawHeaders)
          reply.pipe(outgoing)
          // A server that is killed in the middle breaks off here too.
          reply.once('error', () => outgoing.destroy())
        },
      )
      asked.once('error', (error) => {
        refused(serverPort)
        // Nothing was sent to one that did not take the connection: another can have it whole.
        if (error.code === 'ECONNREFUSED') tryNext(rest)
        else if (outgoing.headersSent) outgoing.destroy()
        else outgoing.writeHead(502).end()
      })
      // Whoever leaves need not be worked for any more.
      outgoing.once('close', () => asked.destroy())
      asked.once('socket', (socket) => {
        if (socket.connecting) socket.once('connect', () => incoming.pipe(asked))
        else incoming.pipe(asked)
      })
    }
    tryNext(order())
  })
  proxy.on('upgrade', (incoming, client, head) => {
    const tryNext = ([serverPort, ...rest]) => {
      if (serverPort === undefined) return client.destroy()
      const server = connect(serverPort, '127.0.0.1')
      server.once('connect', () => {
        const headers = Object.entries(forwarded(incoming)).map(([name, value]) => `${name}: ${value}`)
        server.write(`${incoming.method} ${incoming.url} HTTP/1.1\r\n${headers.join('\r\n')}\r\n\r\n`)
        server.write(head)
        server.pipe(client)
        client.pipe(server)
        server.once('close', () => client.destroy())
        client.once('error', () => server.destroy())
        client.once('close', () => server.destroy())
      })
      server.once('error', (error) => {
        refused(serverPort)
        if (error.code === 'ECONNREFUSED') tryNext(rest)
        else client.destroy()
      })
    }
    tryNext(order())
  })
  return new Promise((resolve, reject) => {
    proxy.once('error', reject)
    proxy.listen(port, () => resolve(proxy))
  })
}
