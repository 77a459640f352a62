import type {
  AddStudents,
  ChangeClass,
  ChangeStudent,
  ClassDetails,
  ClassOverview,
  ClassReply,
  OfferReply,
  SaveClass,
  SetWork,
  StudentLink,
  StudentWork,
  WorkSetting,
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

/** The classes of the teacher. */
export function useClasses(): UseQueryResult<ClassReply[]> {
  return useQuery({ queryKey: ['classes'], queryFn: () => call<ClassReply[]>('GET', '/classes') })
}

/** A class with its students. */
export function useClass(id: string, isWanted = true): UseQueryResult<ClassDetails> {
  return useQuery({
    queryKey: ['class', id],
    queryFn: () => call<ClassDetails>('GET', `/classes/${id}`),
    enabled: isWanted,
  })
}

/** How often it is looked who has done what, in milliseconds. */
const LOOK = 15_000

/** Who of a class has done what; looked at again while the page is open. */
export function useOverview(id: string): UseQueryResult<ClassOverview> {
  return useQuery({
    queryKey: ['class-overview', id],
    queryFn: () => call<ClassOverview>('GET', `/classes/${id}/overview`),
    refetchInterval: LOOK,
  })
}

export function useCreateClass(): UseMutationResult<ClassDetails, Error, SaveClass> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (saved) => call<ClassDetails>('POST', '/classes', saved),
    onSuccess: () => client.invalidateQueries({ queryKey: ['classes'] }),
  })
}

/** What can be done with a class and its students. */
export type ClassAct =
  | { type: 'change'; change: ChangeClass }
  | { type: 'delete' }
  | { type: 'share'; email: string }
  | { type: 'leave'; teacherId: string }
  | { type: 'add'; students: AddStudents['students'] }
  | { type: 'student'; studentId: string; change: ChangeStudent }
  | { type: 'move'; studentId: string; classId: string }
  | { type: 'merge'; studentId: string; into: string | null }
  | { type: 'remove'; studentId: string }

function send(id: string, act: ClassAct): Promise<ClassDetails | undefined> {
  const path = `/classes/${id}`
  switch (act.type) {
    case 'change':
      return call('PATCH', path, act.change)
    case 'delete':
      return call('DELETE', path)
    case 'share':
      return call('POST', `${path}/teachers`, { email: act.email })
    case 'leave':
      return call('DELETE', `${path}/teachers/${act.teacherId}`)
    case 'add':
      return call('POST', `${path}/students`, { students: act.students })
    case 'student':
      return call('PATCH', `${path}/students/${act.studentId}`, act.change)
    case 'move':
      return call('POST', `${path}/students/${act.studentId}/move`, { classId: act.classId })
    case 'merge':
      return call('PUT', `${path}/students/${act.studentId}/merged`, { into: act.into })
    case 'remove':
      return call('DELETE', `${path}/students/${act.studentId}`)
  }
}

/** Does something with a class; all that shows it is read again. */
export function useClassAct(id: string): UseMutationResult<ClassDetails | undefined, Error, ClassAct> {
  const client = useQueryClient()
  return useMutation({
    // One after the other: the last reply is the newest.
    scope: { id: `class ${id}` },
    mutationKey: ['class', id],
    mutationFn: (act) => send(id, act),
    // What is changed is seen at once; where it could not be kept, the class is read again.
    onMutate: async (act) => {
      if (act.type !== 'change') return
      // What is being read was true before.
      await client.cancelQueries({ queryKey: ['class', id] })
      client.setQueryData<ClassDetails>(['class', id], (before) => before && { ...before, ...act.change })
    },
    onError: () => void client.invalidateQueries({ queryKey: ['class', id] }),
    onSuccess: (details, act) => {
      // What waits behind it is shown already: this reply knows nothing of that.
      const isLast = client.isMutating({ mutationKey: ['class', id] }) <= 1
      if (details && isLast) keepNewest(client, ['class', id], () => details)
      else if (act.type === 'remove') void client.invalidateQueries({ queryKey: ['class', id] })
      void client.invalidateQueries({ queryKey: ['classes'] })
      void client.invalidateQueries({ queryKey: ['class-overview', id] })
    },
  })
}

/** What holds for set work. */
export function useWork(offerId: string): UseQueryResult<WorkSetting> {
  return useQuery({ queryKey: ['work', offerId], queryFn: () => call<WorkSetting>('GET', `/links/${offerId}/work`) })
}

/** Changes what holds for set work; all that shows it is read again. */
export function useChangeWork(offerId: string): UseMutationResult<WorkSetting, Error, WorkSetting> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (setting) => call<WorkSetting>('PUT', `/links/${offerId}/work`, setting),
    onSuccess: (setting) => {
      keepNewest(client, ['work', offerId], () => setting)
      for (const key of ['offers', 'class-overview']) void client.invalidateQueries({ queryKey: [key] })
    },
  })
}

/** Makes a code by which a colleague says that a student of hers is this one. */
export function useMakeLink(classId: string, studentId: string): UseMutationResult<StudentLink, Error, void> {
  return useMutation({ mutationFn: () => call<StudentLink>('POST', `/classes/${classId}/students/${studentId}/link`) })
}

/** Says that a student is the one of a colleague's code. */
export function useJoinByLink(classId: string, studentId: string): UseMutationResult<ClassDetails, Error, string> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (code) => call<ClassDetails>('PUT', `/classes/${classId}/students/${studentId}/linked`, { code }),
    onSuccess: (details) => {
      keepNewest(client, ['class', classId], () => details)
      void client.invalidateQueries({ queryKey: ['class-overview', classId] })
    },
  })
}

/** What a student did at one piece of work. */
export function useStudentWork(what: {
  classId: string
  studentId: string
  offerId: string
}): UseQueryResult<StudentWork> {
  const { classId, studentId, offerId } = what
  return useQuery({
    queryKey: ['student-work', classId, studentId, offerId],
    queryFn: () => call<StudentWork>('GET', `/classes/${classId}/students/${studentId}/work/${offerId}`),
    staleTime: 0,
  })
}

/** Sets a list as a game for classes. */
export function useSetWork(listId: string): UseMutationResult<OfferReply[], Error, SetWork> {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (wanted) => call<OfferReply[]>('POST', `/lists/${listId}/work`, wanted),
    onSuccess: () => client.invalidateQueries({ queryKey: ['offers', listId] }),
  })
}
