import type {
  AnswersReply,
  ChangeOffer,
  ChangeParticipant,
  CorrectQuestion,
  ChangeTeacher,
  CreateList,
  CreateOffer,
  HereReply,
  LateAnswers,
  KeepingReply,
  LeadReply,
  ListReply,
  ListSummary,
  MailReply,
  OfferedPicture,
  OfferReply,
  ProvedReply,
  PlacedEntry,
  ResultsReply,
  RoomReply,
  SampleReply,
  SessionReply,
  TeacherReply,
} from '@otter/api'
import {
  QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { ApiError, call } from './client.ts'
import { keepNewest } from './keepNewest.ts'
import { callAsOperator, callForNewer, type Tagged } from './files.ts'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => count < 3 && !(error instanceof ApiError && error.status >= 400 && error.status < 500),
      staleTime: 5_000,
      // Whoever has no connection hears so, instead of waiting for ever.
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})

/** How often results ask for what is new, in milliseconds. */
const WATCHING = 5_000

export function useSession(): UseQueryResult<SessionReply> {
  return useQuery({ queryKey: ['session'], queryFn: () => call<SessionReply>('GET', '/session'), staleTime: 60_000 })
}

/** Signs in or up; `path` tells how. */
export function useSignIn(): UseMutationResult<
  TeacherReply,
  Error,
  { path: '/session' | '/session/sample' | '/teachers'; body?: unknown }
> {
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

/** Keeps what a teacher has chosen for all screens. */
export function useChangeTeacher(): UseMutationResult<void, Error, ChangeTeacher> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (change) => call<void>('PATCH', '/session', change),
    onSuccess: () => Promise.all(['session', 'keeping'].map((key) => client.invalidateQueries({ queryKey: [key] }))),
  })
}

/** For how long results are kept, and what is about to be deleted. */
export function useKeeping(): UseQueryResult<KeepingReply> {
  return useQuery({ queryKey: ['keeping'], queryFn: () => call<KeepingReply>('GET', '/account/keeping') })
}

/** Changes an account, or asks for a mail about it; `path` tells what. */
export function useChangeAccount(): UseMutationResult<
  void,
  Error,
  { method: 'POST' | 'PUT' | 'DELETE'; path: string; body?: unknown }
> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ method, path, body }) => call<void>(method, path, body),
    onSuccess: () => client.invalidateQueries({ queryKey: ['session'] }),
  })
}

/** The mails of an installation, for whoever runs it. */
export function useMails(secret: string): UseQueryResult<MailReply[]> {
  return useQuery({
    queryKey: ['mails', secret],
    queryFn: () => callAsOperator<MailReply[]>('/operator/mails', secret),
  })
}

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

/** What became of a list's entries with the teacher's students; undefined until it is known, or where nobody asks. */
export function useProved(listId: string | undefined): ProvedReply['proved'] | undefined {
  return useQuery({
    queryKey: ['proved', listId],
    enabled: listId !== undefined,
    queryFn: () => call<ProvedReply>('GET', `/lists/${listId}/proved`),
  }).data?.proved
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

/** An offer's results. They fill in while the page is looked at; where nothing is new, nothing is sent. */
export function useResults(offerId: string | undefined): UseQueryResult<ResultsReply> {
  const client = useQueryClient()
  return useQuery({
    queryKey: ['results', offerId],
    enabled: offerId !== undefined,
    refetchInterval: WATCHING,
    refetchIntervalInBackground: false,
    queryFn: () =>
      callForNewer(`/links/${offerId}/results`, client.getQueryData<Tagged<ResultsReply>>(['results', offerId])),
    select: ({ reply }) => reply,
  })
}

/** Who gave which answer to a question. */
export function useAnswers(offerId: string, entryId: string): UseQueryResult<AnswersReply> {
  return useQuery({
    queryKey: ['results', offerId, entryId],
    queryFn: () => call<AnswersReply>('GET', `/links/${offerId}/questions/${entryId}`),
  })
}

/** Says how answers to a question count; all results are read again. */
export function useCorrectQuestion(
  offerId: string,
): UseMutationResult<void, Error, { entryId: string; correction: CorrectQuestion }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ entryId, correction }) =>
      call<void>('PUT', `/links/${offerId}/questions/${entryId}/correction`, correction),
    onSuccess: () => client.invalidateQueries({ queryKey: ['results', offerId] }),
  })
}

/** What a teacher can do with a student of an offer. */
export type ParticipantAction =
  | ({ act: 'change' } & ChangeParticipant)
  | { act: 'merge'; into: string | null }
  | { act: 'student'; studentId: string }
  | { act: 'return'; same: boolean }
  | { act: 'give-back'; playId: string }
  | { act: 'delete' }

export function useParticipantAction(
  offerId: string,
): UseMutationResult<void, Error, ParticipantAction & { participantId: string }> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ participantId, ...action }) => {
      const path = `/links/${offerId}/participants/${participantId}`
      switch (action.act) {
        case 'change':
          return call<void>('PATCH', path, { name: action.name, removed: action.removed, factor: action.factor })
        case 'merge':
          return call<void>('PUT', `${path}/merged`, { into: action.into })
        case 'student':
          return call<void>('PUT', `${path}/student`, { studentId: action.studentId })
        case 'return':
          return call<void>('PUT', `${path}/return`, { same: action.same })
        case 'give-back':
          return call<void>('POST', `/links/${offerId}/plays/${action.playId}/give-back`)
        case 'delete':
          return call<void>('DELETE', path)
      }
    },
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['results', offerId] }),
        client.invalidateQueries({ queryKey: ['live', offerId] }),
      ]),
  })
}

/** What a student answered too late. */
export function useLateAnswers(offerId: string, participantId: string): UseQueryResult<LateAnswers> {
  return useQuery({
    queryKey: ['results', offerId, 'late', participantId],
    queryFn: () => call<LateAnswers>('GET', `/links/${offerId}/participants/${participantId}/late`),
  })
}

/** Counts what a student answered too late. */
export function useCountLate(offerId: string, participantId: string): UseMutationResult<void, Error, void> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: () => call<void>('POST', `/links/${offerId}/participants/${participantId}/late`),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['results', offerId] }),
        client.invalidateQueries({ queryKey: ['live', offerId] }),
      ]),
  })
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
