import type { ToldAnswer } from '@otter/core/games/quiz'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** Reasons that say nothing which the screen does not show already. */
const PLAIN = ['none', 'exact', 'letters', 'empty', 'different'] as const
type Plain = (typeof PLAIN)[number]

function isTelling(why: ToldAnswer['why']): why is Exclude<ToldAnswer['why'], Plain> {
  return !(PLAIN as readonly string[]).includes(why)
}

/** Why a typed answer counts, or does not, in one short sentence; nothing where there is nothing to say. */
export function Why({ told: { why, given, accepted }, className }: { told: ToldAnswer; className?: string }) {
  const t = useTexts(texts)
  return isTelling(why) && <p className={className}>{t(`why.${why}`, { given, accepted })}</p>
}
