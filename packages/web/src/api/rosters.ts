import type { RosterKnowledge, RosterReply, SaveRoster } from '@otter/api'
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query'
import { call } from './client.ts'
import { keepNewest } from './keepNewest.ts'

/** The lists of names of the teacher. */
export function useRosters(): UseQueryResult<RosterReply[]> {
  return useQuery({ queryKey: ['rosters'], queryFn: () => call<RosterReply[]>('GET', '/rosters') })
}

/** What can be done with a list of names. */
export type RosterAct =
  | { type: 'create'; roster: SaveRoster }
  | { type: 'save'; id: string; roster: SaveRoster }
  | { type: 'draw'; id: string; requestId: string }
  | { type: 'undraw'; id: string }
  | { type: 'delete'; id: string }

/** @param version of the list as this window has it when it is sent */
function send(act: RosterAct, version: number): Promise<RosterReply | undefined> {
  switch (act.type) {
    case 'create':
      return call('POST', '/rosters', act.roster)
    case 'save':
      return call('PUT', `/rosters/${act.id}`, { ...act.roster, version })
    case 'draw':
      return call('POST', `/rosters/${act.id}/draws`, { requestId: act.requestId })
    case 'undraw':
      return call('DELETE', `/rosters/${act.id}/draws/last`)
    case 'delete':
      return call('DELETE', `/rosters/${act.id}`)
  }
}

/** Does something with a list of names; the lists show it at once. */
export function useRosterAct(): UseMutationResult<RosterReply | undefined, Error, RosterAct> {
  const client = useQueryClient()
  return useMutation({
    // One after the other, whichever part of the page sends them: each knows the version that the last one made.
    scope: { id: 'rosters' },
    mutationFn: (act) => {
      const known = client.getQueryData<RosterReply[]>(['rosters'])
      const version = 'id' in act ? known?.find(({ id }) => id === act.id)?.version : undefined
      return send(act, version ?? 0)
    },
    // What is changed is seen at once; where it could not be kept, the lists are read again.
    onMutate: (act) => {
      if (act.type !== 'save') return
      const { id, roster } = act
      client.setQueryData<RosterReply[]>(['rosters'], (before) =>
        before?.map((one) => (one.id === id ? { ...one, ...changed(roster) } : one)),
      )
    },
    onError: () => void client.invalidateQueries({ queryKey: ['rosters'] }),
    onSuccess: (reply, act) => {
      keepNewest<RosterReply[]>(client, ['rosters'], (before = []) => {
        if (!reply) return before.filter(({ id }) => act.type !== 'delete' || id !== act.id)
        return before.some(({ id }) => id === reply.id)
          ? before.map((one) => (one.id === reply.id ? mergedWith(one, reply, act) : one))
          : [...before, reply]
      })
    },
  })
}

/** What a draw replies holds no changes that still wait behind it. */
function mergedWith(shown: RosterReply, reply: RosterReply, { type }: RosterAct): RosterReply {
  if (type === 'save') return { ...reply, name: shown.name, students: shown.students, wishes: shown.wishes }
  return { ...shown, counts: reply.counts, last: reply.last, left: reply.left }
}

function changed({ name, students, wishes = [] }: SaveRoster): Partial<RosterReply> {
  return { name, wishes, students: students.map((student) => ({ absent: false, ...student })) }
}

/** How well the students of a list did, and what they missed. */
export function useRosterKnowledge(id: string, isWanted: boolean): UseQueryResult<RosterKnowledge> {
  return useQuery({
    queryKey: ['roster-knowledge', id],
    enabled: isWanted,
    queryFn: () => call<RosterKnowledge>('GET', `/rosters/${id}/knowledge`),
  })
}
