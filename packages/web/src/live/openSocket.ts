import { SOCKET_PATH, type PassReply } from '@otter/api'
import type { Socket } from 'socket.io-client'
import { call } from '../api/client.ts'

/**
 * Opens the socket of a live session; it connects again by itself, to any server, with a new pass each time. Fetches
 * what it needs first: pages that play no live session do without.
 *
 * @param passPath path of the API that gives passes
 */
export async function openSocket(passPath: string): Promise<Socket> {
  const { io } = await import('socket.io-client')
  return io({
    path: SOCKET_PATH,
    transports: ['websocket'],
    reconnectionDelay: 500,
    reconnectionDelayMax: 4000,
    auth: (give) => {
      call<PassReply>('POST', passPath, {}).then(
        ({ pass }) => give({ pass }),
        () => give({}),
      )
    },
  })
}
