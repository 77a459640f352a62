import type { CreateLink, CreateList, LinkReply, ListReply, ListSummary, OfferedPicture, ResultsReply, SessionReply, TeacherReply } from '@otter/api'
import { QueryClient, useMutation, useQuery, useQueryClient, type UseMutationResult, type UseQueryResult } from '@tanstack/react-query'
import { ApiError, call } from './client.ts'

export const queryClient = new QueryClient({
  defaultOptions: { queries: { retry: (count, error) => count < 3 && !(error instanceof ApiError && error.status >= 400 && error.status < 500), staleTime: 5_000 } },
})

/** How often results ask for what is new, in milliseconds. */
const WATCHING = 2_000

export function useSession(): UseQueryResult<SessionReply> {
  return useQuery({ queryKey: ['session'], queryFn: () => call<SessionReply>('GET', '/session'), staleTime: 60_000 })
}

/** Signs in or up; `path` tells how. */
export function useSignIn(): UseMutationResult<TeacherReply, Error, { path: '/session' | '/session/sample' | '/teachers'; body?: unknown }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ path, body }) => call<TeacherReply>('POST', path, body ?? {}),
    onSuccess: () => client.invalidateQueries({ queryKey: ['session'] }),
  })
}

export function useSignOut(): UseMutationResult<void, Error, void> {
  const client = useQueryClient()
  return useMutation({ mutationFn: () => call<void>('DELETE', '/session'), onSuccess: () => client.clear() })
}

export function useLists(): UseQueryResult<ListSummary[]> {
  return useQuery({ queryKey: ['lists'], queryFn: () => call<ListSummary[]>('GET', '/lists'), refetchOnMount: 'always' })
}

export function useCreateList(): UseMutationResult<ListReply, Error, CreateList> {
  const client = useQueryClient()
  return useMutation({ mutationFn: (details) => call<ListReply>('POST', '/lists', details), onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }) })
}

/** Duplicates a list, puts it away or takes it back. */
export function useListAction(): UseMutationResult<ListReply | undefined, Error, { id: string; action: 'duplicate' | 'archive' | 'restore' }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ id, action }) => (action === 'duplicate' ? call<ListReply>('POST', `/lists/${id}/duplicate`) : call<undefined>('PUT', `/lists/${id}/archived`, { archived: action === 'archive' })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Pictures of the gallery for a word. */
export function usePictures(word: string, language: string): UseQueryResult<OfferedPicture[]> {
  return useQuery({
    queryKey: ['gallery', word, language], enabled: word !== '', staleTime: Infinity, placeholderData: (before) => before,
    queryFn: () => call<OfferedPicture[]>('GET', `/gallery?${new URLSearchParams({ word, language, most: '24' }).toString()}`),
  })
}

/** A list as it was when its page was opened; the page keeps what is typed since. */
export function useList(id: string): UseQueryResult<ListReply> {
  return useQuery({ queryKey: ['list', id], queryFn: () => call<ListReply>('GET', `/lists/${id}`), staleTime: 0, gcTime: 0, refetchOnWindowFocus: false, refetchOnReconnect: false })
}

export function useLinks(listId: string): UseQueryResult<LinkReply[]> {
  return useQuery({ queryKey: ['links', listId], queryFn: () => call<LinkReply[]>('GET', `/lists/${listId}/links`), refetchInterval: WATCHING * 5 })
}

export function useCreateLink(listId: string): UseMutationResult<LinkReply, Error, CreateLink> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (body) => call<LinkReply>('POST', `/lists/${listId}/links`, body),
    onSuccess: () => client.invalidateQueries({ queryKey: ['links', listId] }),
  })
}

export function useChangeLink(): UseMutationResult<LinkReply, Error, { id: string; open: boolean }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ id, open }) => call<LinkReply>('PATCH', `/links/${id}`, { open }),
    onSuccess: (link) => Promise.all([client.invalidateQueries({ queryKey: ['links', link.listId] }), client.invalidateQueries({ queryKey: ['results', link.id] })]),
  })
}

/** Makes a link's game anew from the words as they are now. */
export function useRenewLink(): UseMutationResult<LinkReply, Error, string> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (id) => call<LinkReply>('POST', `/links/${id}/renew`),
    onSuccess: (link) => client.invalidateQueries({ queryKey: ['links', link.listId] }),
  })
}

/** A link's results, filling in by themselves. */
export function useResults(linkId: string | undefined): UseQueryResult<ResultsReply> {
  return useQuery({ queryKey: ['results', linkId], queryFn: () => call<ResultsReply>('GET', `/links/${linkId}/results`), enabled: linkId !== undefined, refetchInterval: WATCHING })
}
