import {
  TOKEN_HEADER,
  type ActAtWall,
  type ChangeWallPlay,
  type CreateWallPlay,
  type OfferReply,
  type RemoteCodeReply,
  type RemoteReply,
  type WallPlayReply,
} from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call, noConnection, request } from './client.ts'

/** How often a game is looked at: where a socket tells of changes, and where none does; in milliseconds. */
const TOLD = 15_000
const LOOKING = 1500

/** From where a game on the wall is seen and steered. */
export interface WallSource {
  path: string
  /** For whom the screen is; empty for a remote control, which always has the answers. */
  query: string
  /** What a remote control shows itself by. */
  token: string | undefined
}

async function ask(method: 'GET' | 'POST', source: WallSource, path: string, body?: unknown): Promise<WallPlayReply> {
  const headers: Record<string, string> = source.token === undefined ? {} : { [TOKEN_HEADER]: source.token }
  const response = await request(method, `${source.path}${path}${source.query}`, body, { headers })
  return (await response.json().catch(noConnection)) as WallPlayReply
}

/** A game on the wall as a screen has it; looked at more often where no socket tells of changes. */
export function useWallReply(source: WallSource, isTold: boolean): UseQueryResult<WallPlayReply> {
  return useQuery({
    queryKey: wallKey(source),
    queryFn: () => ask('GET', source, ''),
    refetchInterval: isTold ? TOLD : LOOKING,
  })
}

export function wallKey({ path, query }: WallSource): string[] {
  return ['wall-play', path, query]
}

/** Does something at the wall. Throws an ApiError. */
export function sendAct(source: WallSource, sent: ActAtWall): Promise<WallPlayReply> {
  return ask('POST', source, '/acts', sent)
}

/** Opens a list as a game for teams at one wall. */
export function useCreateWallPlay(listId: string): UseMutationResult<OfferReply, Error, CreateWallPlay> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body) => call<OfferReply>('POST', `/lists/${listId}/wall`, body),
    onSuccess: () => client.invalidateQueries({ queryKey: ['offers', listId] }),
  })
}

/** Changes the teams, or whether the play counts. */
export function useChangeWallPlay(offerId: string): UseMutationResult<void, Error, ChangeWallPlay> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (change) => call<void>('PATCH', `/wall/${offerId}`, change),
    onSuccess: () => client.invalidateQueries({ queryKey: ['wall-play'] }),
  })
}

/** Makes a code that pairs one remote control. */
export function useRemoteCode(offerId: string): UseMutationResult<RemoteCodeReply, Error, void> {
  return useMutation({ mutationFn: () => call<RemoteCodeReply>('POST', `/wall/${offerId}/remotes`) })
}

/** Drops all remote controls. */
export function useDropRemotes(offerId: string): UseMutationResult<void, Error, void> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => call<void>('DELETE', `/wall/${offerId}/remotes`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['wall-play'] }),
  })
}

/** Pairs this device as a remote control. */
export function usePairRemote(): UseMutationResult<RemoteReply, Error, string> {
  return useMutation({ mutationFn: (code) => call<RemoteReply>('POST', '/remote', { code }) })
}
