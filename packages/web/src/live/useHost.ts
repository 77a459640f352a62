import type { HostChanges, HostState, WallNow, WallState } from '@otter/api'
import { useQueryClient, type UseQueryResult } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useHostState, useWallState } from '../api/live.ts'
import { changedHost } from './hostState.ts'
import { ToldMeanwhile } from './toldMeanwhile.ts'
import { useSocket, type LiveSocket } from './useSocket.ts'

/** A session on a screen of its teacher, and whether changes come by themselves. */
export interface Followed<State> {
  state: State | undefined
  error: Error | null
  connected: boolean
}

/** Follows a session as its host. */
export function useHost(id: string): Followed<HostState> {
  const live = useSocket(`/live/${id}/passes/teacher`)
  const [meanwhile] = useState(() => new ToldMeanwhile<HostState, HostChanges>(changedHost))
  const query = useHostState(id, live.connected, meanwhile)
  return useFollowed(live, { query, key: ['live', id], event: 'changes', changed: changedHost, meanwhile })
}

/** Follows a session as the wall shows it. */
export function useWall(id: string): Followed<WallState> {
  const live = useSocket(`/live/${id}/passes/wall`)
  const [meanwhile] = useState(() => new ToldMeanwhile<WallState, WallNow>(changedWall))
  const query = useWallState(id, live.connected, meanwhile)
  return useFollowed(live, { query, key: ['wall', id], event: 'wall', changed: changedWall, meanwhile })
}

function changedWall(state: WallState, now: WallNow): WallState {
  return { ...state, ...now }
}

interface Following<State, Change> {
  query: UseQueryResult<State>
  key: readonly [string, string]
  event: string
  changed: (state: State, change: Change) => State
  meanwhile: ToldMeanwhile<State, Change>
}

function useFollowed<State, Change>(
  { socket, connected }: LiveSocket,
  { query: { data, error, refetch }, key: [audience, id], event, changed, meanwhile }: Following<State, Change>,
): Followed<State> {
  const client = useQueryClient()
  useEffect(() => {
    if (!socket) return
    return socket.on(event, (change: Change) => {
      meanwhile.note(change)
      client.setQueryData<State>([audience, id], (before) => before && changed(before, change))
    })
  }, [socket, client, audience, id, event, changed, meanwhile])
  useEffect(() => {
    if (connected) void refetch()
  }, [connected, refetch])
  return { state: data, error, connected }
}
