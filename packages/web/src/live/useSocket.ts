import { useEffect, useState } from 'react'
import { LiveConnection } from './liveConnection.ts'

/** A connection, and whether it is connected; undefined where there is none to be. */
export interface LiveSocket {
  socket: LiveConnection | undefined
  connected: boolean
}

const NONE: LiveSocket = { socket: undefined, connected: false }

/** Keeps a connection open as long as there is a path to ask for passes, for a device with an account or a token. */
export function useSocket(passPath: string | undefined, token?: string): LiveSocket {
  const [state, setState] = useState(NONE)
  useEffect(() => {
    if (passPath === undefined) return
    const socket: LiveConnection = new LiveConnection(
      passPath,
      () => setState({ socket, connected: socket.connected }),
      token,
    )
    return () => {
      socket.close()
      setState(NONE)
    }
  }, [passPath, token])
  return state
}
