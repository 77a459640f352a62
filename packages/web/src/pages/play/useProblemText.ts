import type { ProblemCode } from '@otter/api'
import type { ApiError } from '../../api/client.ts'
import { playTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const KNOWN = {
  'no-such-link': 'noSuchLink',
  'link-closed': 'closed',
  'link-full': 'full',
  'taken-out': 'takenOut',
  'too-many': 'tooMany',
  'unkind-name': 'unkindName',
} as const

/** Returns what puts a problem in a student's words. */
export function useProblemText(): (problem: ApiError) => string {
  const t = useTexts(playTexts)
  const known: Partial<Record<ProblemCode, (typeof KNOWN)[keyof typeof KNOWN]>> = KNOWN
  return ({ code, status }) => t((code && known[code]) ?? (status === 0 ? 'offline' : 'failed'))
}
