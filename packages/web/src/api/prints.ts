import type { PrintedReply, PrintsReply, PrintVersions } from '@otter/api'
import type { GameKind } from '@otter/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { z } from 'zod'
import { call } from './client.ts'
import { jobDone } from './jobs.ts'

const keyOf = (listId: string, kind: GameKind): string[] => ['prints', listId, kind]

/** What was printed of a list's game, the latest first. */
export function usePrints(listId: string, kind: GameKind) {
  return useQuery({
    queryKey: keyOf(listId, kind),
    queryFn: () => call<PrintsReply>('GET', `/lists/${listId}/prints?kind=${kind}`),
  })
}

/** Printed sheets, as they were. */
export function usePrinted(id: string) {
  return useQuery({
    queryKey: ['printed', id],
    queryFn: () => call<PrintedReply>('GET', `/prints/${id}`),
    staleTime: Infinity,
  })
}

/** Keeps what the browser prints. */
export function useKeepPrint(listId: string, kind: GameKind) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async (print: Omit<z.input<typeof PrintVersions>, 'kind'>) => {
      const { id } = await call<{ id: string }>('POST', `/lists/${listId}/prints`, { ...print, kind })
      await jobDone(id, () => undefined)
    },
    onSuccess: () => client.invalidateQueries({ queryKey: keyOf(listId, kind) }),
  })
}
