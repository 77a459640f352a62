import { useEffect, useState } from 'react'
import { LiveConnection } from './liveConnection.ts'

/** A connection, and whether it is connected; undefined where there is none to be. */
export interface LiveSocket {
  socket: LiveConnection | undefined
  connected: boolean
}

const NONE: LiveSocket = { socket: undefined, connected: false }

/** Keeps a connection open as long as there is a path to ask for passes. */
export function useSocket(passPath: string | undefined): LiveSocket {
  const [state, setState] = useState(NONE)
  useEffect(() => {
    if (passPath === undefined) return
    const socket: LiveConnection = new LiveConnection(passPath, () => setState({ socket, connected: socket.connected }))
    return () => {
      socket.close()
      setState(NONE)
    }
  }, [passPath])
  return state
}
