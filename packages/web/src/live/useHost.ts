import type { HostChanges, HostState, WallNow, WallState } from '@otter/api'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { useHostState, useWallState } from '../api/live.ts'
import { changedHost } from './hostState.ts'
import { useSocket } from './useSocket.ts'

/** A session on a screen of its teacher, and whether changes come by themselves. */
export interface Followed<State> {
  state: State | undefined
  error: Error | null
  connected: boolean
}

/** Follows a session as its host. */
export function useHost(id: string): Followed<HostState> {
  const client = useQueryClient()
  const { socket, connected } = useSocket(`/live/${id}/passes/teacher`)
  const { data, error, refetch } = useHostState(id, connected)
  useEffect(() => {
    if (!socket) return
    return socket.on('changes', (changes: HostChanges) => {
      client.setQueryData<HostState>(['live', id], (before) => before && changedHost(before, changes))
    })
  }, [socket, client, id])
  useEffect(() => {
    if (connected) void refetch()
  }, [connected, refetch])
  return { state: data, error, connected }
}

/** Follows a session as the wall shows it. */
export function useWall(id: string): Followed<WallState> {
  const client = useQueryClient()
  const { socket, connected } = useSocket(`/live/${id}/passes/wall`)
  const { data, error, refetch } = useWallState(id, connected)
  useEffect(() => {
    if (!socket) return
    return socket.on('wall', (now: WallNow) => {
      client.setQueryData<WallState>(['wall', id], (before) => before && { ...before, ...now })
    })
  }, [socket, client, id])
  useEffect(() => {
    if (connected) void refetch()
  }, [connected, refetch])
  return { state: data, error, connected }
}
