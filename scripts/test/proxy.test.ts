import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from 'chai'
import { freePort } from '../postgres/cluster.mjs'
import { startProxy } from '../proxy.mjs'

const closed = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve())
    server.closeAllConnections()
  })

/** Starts a server that says its name, and echoes what an upgraded connection sends. */
async function startEcho(name: string): Promise<{ server: Server; port: number }> {
  const server = createServer((incoming, outgoing) => {
    let body = ''
    incoming.on('data', (chunk: Buffer) => (body += chunk.toString()))
    incoming.once('end', () => outgoing.end(`${name} ${body} ${String(incoming.headers['x-forwarded-for'])}`))
  })
  server.on('upgrade', (_incoming, socket) => {
    socket.write('HTTP/1.1 101 Switching Protocols\r\nUpgrade: echo\r\nConnection: Upgrade\r\n\r\n')
    socket.on('data', (chunk: Buffer) => socket.write(`${name} ${chunk.toString()}`))
    socket.on('error', () => undefined)
    socket.on('end', () => socket.end())
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { server, port: (server.address() as AddressInfo).port }
}

describe('The proxy before several servers', () => {
  it('gives each its turn, passes over one that is down, and says so where none is up', async () => {
    const [one, two] = [await startEcho('one'), await startEcho('two')]
    const port = await freePort()
    const proxy = await startProxy(port, [one.port, two.port])
    const ask = async (): Promise<string> =>
      (await fetch(`http://127.0.0.1:${port}/`, { method: 'POST', body: 'hello' })).text()
    const names = new Set((await Promise.all([ask(), ask(), ask(), ask()])).map((text) => text.split(' ')[0]))
    expect([...names].sort()).to.deep.equal(['one', 'two'])
    expect(await ask()).to.match(/^(one|two) hello .*127\.0\.0\.1$/u)
    await closed(one.server)
    for (let time = 0; time < 4; time++) expect(await ask()).to.match(/^two hello/u)
    await closed(two.server)
    expect((await fetch(`http://127.0.0.1:${port}/`)).status).to.equal(503)
    await closed(proxy)
  })

  it('lets sockets through to one that is up', async () => {
    const [one, two] = [await startEcho('one'), await startEcho('two')]
    const port = await freePort()
    const proxy = await startProxy(port, [one.port, two.port])
    await closed(one.server)
    for (let time = 0; time < 3; time++) {
      const heard = await new Promise<string>((resolve, reject) => {
        const asked = request({ port, host: '127.0.0.1', headers: { Connection: 'Upgrade', Upgrade: 'echo' } })
        asked.once('upgrade', (_reply, socket) => {
          socket.once('data', (chunk: Buffer) => {
            resolve(chunk.toString())
            socket.destroy()
          })
          socket.write('hello')
        })
        asked.once('error', reject)
        asked.end()
      })
      expect(heard).to.equal('two hello')
    }
    two.server.closeAllConnections()
    two.server.close()
    await closed(proxy)
  })
})
