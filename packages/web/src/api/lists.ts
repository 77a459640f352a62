import type {
  CreateList,
  ListReply,
  ListSummary,
  OfferedPicture,
  ProvedReply,
  PlacedEntry,
  RoomReply,
  SampleReply,
} from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { keepNewest } from './keepNewest.ts'

export function useLists(): UseQueryResult<ListSummary[]> {
  return useQuery({
    queryKey: ['lists'],
    queryFn: () => call<ListSummary[]>('GET', '/lists'),
    refetchOnMount: 'always',
  })
}

export function useCreateList(): UseMutationResult<ListReply, Error, CreateList> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (details) => call<ListReply>('POST', '/lists', details),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Makes a list with its entries. */
export function useCreateFilledList(): UseMutationResult<string, Error, readonly PlacedEntry[]> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (put) => {
      const { id, version } = await call<ListReply>('POST', '/lists', {})
      await call('PATCH', `/lists/${id}`, { version, put, remove: [] })
      return id
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Sample lists that can be copied. */
export function useSamples(): UseQueryResult<SampleReply[]> {
  return useQuery({ queryKey: ['samples'], queryFn: () => call<SampleReply[]>('GET', '/samples') })
}

/** Makes a copy of a sample list, by its place among them. */
export function useCopySample(): UseMutationResult<ListReply, Error, number> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (place) => call<ListReply>('POST', `/samples/${place}/copy`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Duplicates a list, puts it away or takes it back. */
export function useListAction(): UseMutationResult<
  ListReply | undefined,
  Error,
  { id: string; action: 'duplicate' | 'archive' | 'restore' }
> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ id, action }) =>
      action === 'duplicate'
        ? call<ListReply>('POST', `/lists/${id}/duplicate`)
        : call<undefined>('PUT', `/lists/${id}/archived`, { archived: action === 'archive' }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Pictures of the gallery for a word. */
export function usePictures(word: string, language: string): UseQueryResult<OfferedPicture[]> {
  return useQuery({
    queryKey: ['gallery', word, language],
    enabled: word !== '',
    staleTime: Infinity,
    placeholderData: (before) => before,
    queryFn: () =>
      call<OfferedPicture[]>('GET', `/gallery?${new URLSearchParams({ word, language, most: '24' }).toString()}`),
  })
}

/** A list as it was when its page was opened; the page keeps what is typed since. */
export function useList(id: string): UseQueryResult<ListReply> {
  return useQuery({
    queryKey: ['list', id],
    queryFn: () => call<ListReply>('GET', `/lists/${id}`),
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })
}

/** What became of a list's entries with the teacher's students; undefined until it is known, or where nobody asks. */
export function useProved(listId: string | undefined): ProvedReply['proved'] | undefined {
  return useQuery({
    queryKey: ['proved', listId],
    enabled: listId !== undefined,
    queryFn: () => call<ProvedReply>('GET', `/lists/${listId}/proved`),
  }).data?.proved
}

/** Room that a teacher's pictures and sounds take. */
export function useRoom(): UseQueryResult<RoomReply> {
  return useQuery({ queryKey: ['room'], queryFn: () => call<RoomReply>('GET', '/media') })
}

/** Deletes pictures and sounds that nothing uses. */
export function useFreeRoom(): UseMutationResult<RoomReply, Error, void> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => call<RoomReply>('POST', '/media/free'),
    onSuccess: (room) => keepNewest(client, ['room'], () => room),
  })
}
