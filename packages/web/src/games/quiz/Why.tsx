import type { ToldAnswer } from '@otter/core/games/quiz'
import { texts } from './texts.ts'
import { isTelling } from './telling.ts'
import { useTexts } from '../../texts/texts.ts'

/** Why a typed answer counts, or does not, in one short sentence; nothing where there is nothing to say. */
export function Why({ told: { why, given, accepted }, className }: { told: ToldAnswer; className?: string }) {
  const t = useTexts(texts)
  return isTelling(why) && <p className={className}>{t(`why.${why}`, { given, accepted })}</p>
}
