import type { AnswersReply, ChangeParticipant, CorrectQuestion, LateAnswers, ResultsReply } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { callForNewer, type Tagged } from './files.ts'
import { WATCHING } from './queryClient.ts'

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
