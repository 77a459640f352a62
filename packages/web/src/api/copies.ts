import type { GivenReply, GivingReply } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { keepNewest } from './keepNewest.ts'

/** How a list is given to colleagues. */
export function useGiving(listId: string): UseQueryResult<GivingReply> {
  return useQuery({ queryKey: ['giving', listId], queryFn: () => call<GivingReply>('GET', `/lists/${listId}/giving`) })
}

/** Lets colleagues take copies, with the set work or without; null: lets nobody. */
export function useGive(listId: string): UseMutationResult<GivingReply | undefined, Error, boolean | null> {
  const client = useQueryClient()
  const queryKey = ['giving', listId]
  return useMutation({
    scope: { id: `giving ${listId}` },
    mutationFn: (withWork) =>
      withWork === null
        ? call<undefined>('DELETE', `/lists/${listId}/giving`)
        : call<GivingReply>('PUT', `/lists/${listId}/giving`, { withWork }),
    onSuccess: (giving) => {
      if (giving) keepNewest(client, queryKey, () => giving)
      else void client.invalidateQueries({ queryKey })
    },
  })
}

/** What a colleague gives by a code. */
export function useGiven(code: string): UseQueryResult<GivenReply> {
  return useQuery({ queryKey: ['given', code], queryFn: () => call<GivenReply>('GET', `/copies/${code}`) })
}

/** Takes a copy of what a colleague gives. */
export function useTakeCopy(code: string): UseMutationResult<{ id: string }, Error, string> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (id) => call<{ id: string }>('POST', `/copies/${code}`, { id }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}
