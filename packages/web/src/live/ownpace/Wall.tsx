import type { WallState } from '@otter/api'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { WallRanking } from '../WallRanking.tsx'

/** What the class sees while each plays at their own pace: the ranking as it is set, or that all are at work. */
export function Wall({ state: { ranking, here } }: { state: WallState }) {
  const t = useTexts(liveTexts)
  return ranking && ranking.rows.length > 0 ? (
    <WallRanking ranking={ranking} />
  ) : (
    <p className="m-auto text-center text-[max(28px,3vw)]">{t('wall.atWork', { count: here })}</p>
  )
}
