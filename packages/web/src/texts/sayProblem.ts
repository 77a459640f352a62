import type { ProblemDetails } from '@otter/api'
import i18next from 'i18next'

/** Returns the sentence for a problem, in the language of the screen; as it came where there is none. */
export function sayProblem({ title, code, values, game }: Omit<ProblemDetails, 'status'>): string {
  if (game && i18next.exists(`note.${game.code}`, { ns: game.kind, ...game.values }))
    return i18next.t(`note.${game.code}`, { ns: game.kind, ...game.values })
  return code !== undefined && i18next.exists(code, { ns: 'problems' })
    ? i18next.t(code, { ns: 'problems', ...values })
    : title
}
