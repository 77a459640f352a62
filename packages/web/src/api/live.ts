import type {
  CreateLive,
  HostChanges,
  HostState,
  LiveAgain,
  OfferReply,
  StudentAnswers,
  WallNow,
  WallState,
} from '@otter/api'
import type { HostCommand } from '@otter/core'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import type { ToldMeanwhile } from '../live/toldMeanwhile.ts'
import { call } from './client.ts'

/** How often a session is looked at where there is no socket, in milliseconds. */
const LOOKING = 2500

/** Opens a live session of a list. */
export function useCreateLive(listId: string): UseMutationResult<OfferReply, Error, CreateLive> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body) => call<OfferReply>('POST', `/lists/${listId}/live`, body),
    onSuccess: () => client.invalidateQueries({ queryKey: ['offers', listId] }),
  })
}

/** A session as its host sees it; looked at again and again where no socket tells of changes. */
export function useHostState(
  id: string,
  isTold: boolean,
  meanwhile: ToldMeanwhile<HostState, HostChanges>,
): UseQueryResult<HostState> {
  return useQuery({
    queryKey: ['live', id],
    queryFn: () => meanwhile.read(() => call<HostState>('GET', `/live/${id}`)),
    refetchInterval: isTold ? false : LOOKING,
  })
}

/** A session as the wall shows it. */
export function useWallState(
  id: string,
  isTold: boolean,
  meanwhile: ToldMeanwhile<WallState, WallNow>,
): UseQueryResult<WallState> {
  return useQuery({
    queryKey: ['wall', id],
    queryFn: () => meanwhile.read(() => call<WallState>('GET', `/live/${id}/wall`)),
    refetchInterval: isTold ? false : LOOKING,
  })
}

/** Does what a host wants, in the session as the screen shows it. */
export function useHostCommand(id: string): UseMutationResult<void, Error, { command: HostCommand; revision: number }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (sent) => call<void>('POST', `/live/${id}/commands`, sent),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['live', id] }),
        client.invalidateQueries({ queryKey: ['wall', id] }),
      ]),
  })
}

/** Opens a session of what the class missed. */
export function usePlayMissed(id: string): UseMutationResult<OfferReply, Error, LiveAgain> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body) => call<OfferReply>('POST', `/live/${id}/again`, body),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Lets a held name in, or leaves the made-up one. */
export function useAnswerName(id: string): UseMutationResult<void, Error, { participantId: string; allowed: boolean }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ participantId, allowed }) =>
      call<void>('PUT', `/live/${id}/participants/${participantId}/name`, { allowed }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['live', id] }),
  })
}

/** What a student has answered so far. */
export function useStudentAnswers(id: string, participantId: string, moves: number): UseQueryResult<StudentAnswers> {
  return useQuery({
    queryKey: ['live', id, 'answers', participantId, moves],
    queryFn: () => call<StudentAnswers>('GET', `/live/${id}/participants/${participantId}/answers`),
    placeholderData: (before) => before,
  })
}
