import { useTranslation } from 'react-i18next'
import type { ApiError } from '../../api/client.ts'

/** Puts a problem in the student's language. */
export function useProblemText(): (problem: ApiError) => string {
  const { t } = useTranslation()
  const known: Record<string, string> = {
    'no-such-link': 'play.noSuchLink',
    'link-closed': 'play.closed',
    'link-full': 'play.full',
    'taken-out': 'play.takenOut',
    'too-many': 'play.tooMany',
  }
  return ({ code, status }) => t(known[code ?? ''] ?? (status === 0 ? 'play.offline' : 'play.failed'))
}
