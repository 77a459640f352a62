import { createServer, type AddressInfo, type Socket } from 'node:net'

/** A mail server that keeps what it is handed; it can refuse for a while. */
export interface MailServer {
  address: string
  received: string[]
  refuses: boolean
  /** How many mails were refused. */
  refused: number
  close(): void
}

/** Starts a stand-in for a mail server, on this machine (SMTP, RFC 5321: no more of it than a sender needs). */
export async function startMailServer(): Promise<MailServer> {
  const sockets = new Set<Socket>()
  const server = createServer((socket) => {
    sockets.add(socket)
    let mail: string[] | undefined
    const say = (line: string): boolean => socket.write(`${line}\r\n`)
    const hear = (line: string): void => {
      if (mail) {
        if (line !== '.') return void mail.push(line)
        mails.received.push(mail.join('\n'))
        mail = undefined
        return void say('250 kept')
      }
      const command = line.slice(0, 4).toUpperCase()
      if (command === 'DATA') {
        mail = []
        say('354 go on')
      } else if (command === 'QUIT') socket.end('221 bye\r\n')
      else if (mails.refuses && command === 'MAIL') {
        mails.refused++
        say('451 not now')
      } else say('250 yes')
    }
    let rest = ''
    socket.on('data', (piece) => {
      const lines = (rest + piece.toString()).split('\r\n')
      rest = lines.pop()!
      lines.forEach(hear)
    })
    socket.on('error', () => socket.destroy())
    say('220 here')
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const mails: MailServer = {
    address: `smtp://127.0.0.1:${(server.address() as AddressInfo).port}`,
    received: [],
    refuses: false,
    refused: 0,
    close: () => {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
  return mails
}
