import { useEffect, useState } from 'react'
import type { Socket } from 'socket.io-client'
import { openSocket } from './openSocket.ts'

/** A socket, and whether it is connected; undefined until it is there. */
export interface LiveSocket {
  socket: Socket | undefined
  connected: boolean
}

/** How long a refused socket waits before it tries again, in milliseconds. */
const REFUSED = 3000

/** Keeps a socket open as long as there is a path to ask for passes. */
export function useSocket(passPath: string | undefined): LiveSocket {
  const [state, setState] = useState<LiveSocket>({ socket: undefined, connected: false })
  useEffect(() => {
    if (passPath === undefined) return
    let isGone = false
    let opened: Socket | undefined
    let timer: ReturnType<typeof setTimeout> | undefined
    void openSocket(passPath).then((socket) => {
      if (isGone) return void socket.disconnect()
      opened = socket
      const show = (): void => setState({ socket, connected: socket.connected })
      socket.on('connect', show)
      socket.on('disconnect', (reason) => {
        show()
        // The server has closed it on purpose: it does not connect again by itself then.
        if (reason === 'io server disconnect') timer = setTimeout(() => socket.connect(), REFUSED)
      })
      socket.on('connect_error', () => {
        show()
        if (!socket.active) timer = setTimeout(() => socket.connect(), REFUSED)
      })
      show()
    })
    return () => {
      isGone = true
      clearTimeout(timer)
      opened?.disconnect()
      setState({ socket: undefined, connected: false })
    }
  }, [passPath])
  return state
}
