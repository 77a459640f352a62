import type { ChangeOffer, CreateOffer, HereReply, LeadReply, OfferReply } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { WATCHING } from './queryClient.ts'

/** Offers of a list; to teachers an offer is a link. */
export function useOffers(listId: string): UseQueryResult<OfferReply[]> {
  return useQuery({
    queryKey: ['offers', listId],
    queryFn: () => call<OfferReply[]>('GET', `/lists/${listId}/links`),
    refetchInterval: WATCHING * 2,
  })
}

/** The newest offers of all lists. */
export function useAllOffers(): UseQueryResult<OfferReply[]> {
  return useQuery({ queryKey: ['offers'], queryFn: () => call<OfferReply[]>('GET', '/links') })
}

export function useCreateOffer(listId: string): UseMutationResult<OfferReply, Error, CreateOffer> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body) => call<OfferReply>('POST', `/lists/${listId}/links`, body),
    onSuccess: (offer) => {
      // The next screen begins with it, and asks for all of them meanwhile.
      client.setQueryData<OfferReply[]>(['offers', listId], (before) =>
        before ? [offer, ...before.filter(({ id }) => id !== offer.id)] : before,
      )
      return client.invalidateQueries({ queryKey: ['offers', listId] })
    },
  })
}

/** Closes an offer, opens it again, or names it. */
export function useChangeOffer(): UseMutationResult<OfferReply, Error, ChangeOffer & { id: string }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ id, ...change }) => call<OfferReply>('PATCH', `/links/${id}`, change),
    onSuccess: ({ id, listId }) =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['offers', listId] }),
        client.invalidateQueries({ queryKey: ['results', id] }),
      ]),
  })
}

/** Who takes part in an offer, and who is here now. */
export function useHere(offerId: string | undefined): UseQueryResult<HereReply> {
  return useQuery({
    queryKey: ['here', offerId],
    enabled: offerId !== undefined,
    queryFn: () => call<HereReply>('GET', `/links/${offerId}/here`),
    refetchInterval: WATCHING,
  })
}

/** An offer's game as its teacher leads it. */
export function useLead(offerId: string): UseQueryResult<LeadReply> {
  return useQuery({
    queryKey: ['lead', offerId],
    queryFn: () => call<LeadReply>('GET', `/links/${offerId}/lead`),
    refetchInterval: WATCHING,
    structuralSharing: true,
  })
}

/** Calls so many terms for all who play an offer: shown at once, and kept on the server. */
export function useCallTerms(offerId: string): UseMutationResult<void, Error, number> {
  const client = useQueryClient()
  const queryKey = ['lead', offerId]
  return useMutation({
    scope: { id: `calls ${offerId}` },
    mutationFn: (calls) => call<void>('PUT', `/links/${offerId}/calls`, { calls }),
    onMutate: async (calls) => {
      await client.cancelQueries({ queryKey })
      client.setQueryData<LeadReply>(queryKey, (before) => before && { ...before, calls })
    },
    onSettled: () => client.invalidateQueries({ queryKey }),
  })
}

/** Deletes an offer with all that students did in it. */
export function useDeleteOffer(): UseMutationResult<void, Error, string> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (id) => call<void>('DELETE', `/links/${id}`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['offers'] }),
  })
}

/** Makes an offer's game anew from the words as they are now. */
export function useRenewOffer(): UseMutationResult<OfferReply, Error, string> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (id) => call<OfferReply>('POST', `/links/${id}/renew`),
    onSuccess: ({ listId }) => client.invalidateQueries({ queryKey: ['offers', listId] }),
  })
}
