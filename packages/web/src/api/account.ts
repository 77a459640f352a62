import type { ChangeTeacher, KeepingReply, MailReply, SessionReply, TeacherReply } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { callAsOperator } from './files.ts'

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
