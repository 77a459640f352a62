import type {
  AcceptRefused,
  EntryAnswers,
  OfferReply,
  RefusedReply,
  ReportedAnswers,
  ReportReply,
  ReportScope,
  ReteachList,
  SaveStandards,
  SetPractice,
  StandardsReply,
  StudentKnowledge,
} from '@otter/api'
import {
  keepPreviousData,
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { useEffect } from 'react'
import { useSocket } from '../live/useSocket.ts'
import { call } from './client.ts'

/** A report is read again at most so often, in milliseconds; and, where nothing is heard, so often. */
const GATHERED = 1000
const LOOK = 30_000

/** Returns a scope as it stands in an address. */
export function addressOf(scope: ReportScope, more: Record<string, string> = {}): string {
  const given = Object.entries({ ...scope, ...more }).filter(([, value]) => value !== undefined)
  return new URLSearchParams(given as [string, string][]).toString()
}

/** Returns the offset of the browser's time zone to UTC, in minutes. */
function offset(): string {
  return String(-new Date().getTimezoneOffset())
}

/** A report; it fills in while it is looked at, as it is told that something is new. */
export function useReport(scope: ReportScope): UseQueryResult<ReportReply> {
  const client = useQueryClient()
  const address = addressOf(scope)
  const { socket } = useSocket(`/reports/pass?${address}`)
  useEffect(() => {
    if (!socket) return
    let timer: ReturnType<typeof setTimeout> | undefined
    const stop = socket.on('again', () => {
      timer ??= setTimeout(() => {
        timer = undefined
        void client.invalidateQueries({ queryKey: ['report', address] })
        // What stands beside it on the page is of the same answers.
        if (scope.work !== undefined) void client.invalidateQueries({ queryKey: ['results', scope.work] })
      }, GATHERED)
    })
    return () => {
      stop()
      clearTimeout(timer)
    }
  }, [socket, client, address, scope.work])
  return useQuery({
    queryKey: ['report', address],
    queryFn: () => call<ReportReply>('GET', `/reports?${addressOf(scope, { offset: offset() })}`),
    refetchInterval: LOOK,
    placeholderData: keepPreviousData,
  })
}

/** What one student answered within a report. */
export function useReportedAnswers(scope: ReportScope, personId: string | undefined): UseQueryResult<ReportedAnswers> {
  const address = addressOf(scope)
  return useQuery({
    queryKey: ['report', address, 'student', personId],
    enabled: personId !== undefined,
    queryFn: () => call<ReportedAnswers>('GET', `/reports/students/${personId}?${address}`),
  })
}

/** Who gave what to an entry in all games of a report. */
export function useEntryAnswers(scope: ReportScope, entryId: string): UseQueryResult<EntryAnswers> {
  const address = addressOf(scope)
  return useQuery({
    queryKey: ['report', address, 'entry', entryId],
    queryFn: () => call<EntryAnswers>('GET', `/reports/entries/${entryId}?${address}`),
  })
}

/** Typed answers of a report that did not count. */
export function useRefused(scope: ReportScope): UseQueryResult<RefusedReply> {
  const address = addressOf(scope)
  return useQuery({
    queryKey: ['report', address, 'refused'],
    queryFn: () => call<RefusedReply>('GET', `/reports/refused?${address}`),
  })
}

/** Accepts a typed answer; all that tells of results is read again. */
export function useAccept(): UseMutationResult<void, Error, AcceptRefused> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (accepted) => call<void>('POST', '/reports/accept', accepted),
    onSuccess: () =>
      Promise.all(['report', 'results', 'list'].map((key) => client.invalidateQueries({ queryKey: [key] }))),
  })
}

/** Makes a list of what was missed. */
export function useReteach(): UseMutationResult<{ id: string }, Error, ReteachList> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (wanted) => call<{ id: string }>('POST', '/reports/reteach', wanted),
    onSuccess: () => client.invalidateQueries({ queryKey: ['lists'] }),
  })
}

/** Gives a student back what a device was away for: time of the attempt, or the attempt itself. */
export function useMakeGood(): UseMutationResult<
  void,
  Error,
  { offerId: string; playId: string; give: 'time-back' | 'give-back' }
> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ offerId, playId, give }) => call<void>('POST', `/links/${offerId}/plays/${playId}/${give}`),
    onSuccess: () => Promise.all(['report', 'results'].map((key) => client.invalidateQueries({ queryKey: [key] }))),
  })
}

/** What standards mean, as the teacher has said. */
export function useStandards(): UseQueryResult<StandardsReply> {
  return useQuery({ queryKey: ['standards'], queryFn: () => call<StandardsReply>('GET', '/standards') })
}

/** Says what standards mean. */
export function useSaveStandards(): UseMutationResult<void, Error, SaveStandards> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (standards) => call<void>('PUT', '/standards', standards),
    onSuccess: () => Promise.all(['standards', 'report'].map((key) => client.invalidateQueries({ queryKey: [key] }))),
  })
}

/** A student of a class. */
interface OfClass {
  classId: string
  studentId: string
}

/** What one student knows, over all of the teacher's games. */
export function useKnowledge({ classId, studentId }: OfClass): UseQueryResult<StudentKnowledge> {
  return useQuery({
    queryKey: ['knowledge', classId, studentId],
    queryFn: () => call<StudentKnowledge>('GET', `/classes/${classId}/students/${studentId}/knowledge`),
  })
}

/** Sets a student what is not known well of a list. */
export function useSetPractice({ classId, studentId }: OfClass): UseMutationResult<OfferReply, Error, SetPractice> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (wanted) => call<OfferReply>('POST', `/classes/${classId}/students/${studentId}/practice`, wanted),
    onSuccess: () =>
      Promise.all(
        [
          ['knowledge', classId, studentId],
          ['class-overview', classId],
        ].map((queryKey) => client.invalidateQueries({ queryKey })),
      ),
  })
}
