import type { KindsReply } from '@otter/api'
import { useQuery } from '@tanstack/react-query'
import { call } from './client.ts'

const NONE: KindsReply['kinds'] = {}

/** Returns what English words are kinds of, as far as that is known; nothing until it is fetched. */
export function useKinds(words: readonly string[]): KindsReply['kinds'] {
  const asked = [...new Set(words.map((word) => word.trim().toLowerCase()))].sort()
  const { data } = useQuery({
    queryKey: ['kinds', asked],
    queryFn: () => call<KindsReply>('POST', '/dictionary/kinds', { words: asked }),
    enabled: asked.length > 0,
    staleTime: Infinity,
  })
  return data?.kinds ?? NONE
}
