import type { Ranking } from '@otter/api'
import { liveTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { OtterAvatar } from './OtterAvatar.tsx'

/** Most lines that are read from the back of a room. */
const MOST = 10

/** A ranking for the wall: teams first, where there are some. */
export function WallRanking({ ranking }: { ranking: Ranking }) {
  const t = useTexts(liveTexts)
  const score = (value: number): string =>
    ranking.by === 'share' ? `${Math.round(value * 100)} %` : t('points', { count: Math.round(value) })
  return (
    <div className="flex min-h-0 flex-1 flex-wrap gap-x-[5vw] gap-y-4 text-[max(28px,2.2vw)]">
      {ranking.teams.length > 0 && (
        <section aria-label={t('wall.teams')} className="min-w-72 flex-1">
          <h2 className="mb-2 text-[max(28px,2.6vw)]">{t('wall.teams')}</h2>
          <ol className="flex flex-col gap-2">
            {ranking.teams.map(({ teamId, place, name, score: value, members }) => (
              <li key={teamId} className="panel flex items-center gap-4 px-4 py-2">
                <strong className="w-[1.5em] tabular-nums">{place}</strong>
                <span className="min-w-0 flex-1 truncate">
                  <bdi>{name}</bdi> <span className="quiet">{t('wall.members', { count: members })}</span>
                </span>
                <span className="tabular-nums">{score(value)}</span>
              </li>
            ))}
          </ol>
        </section>
      )}
      {ranking.rows.length > 0 && (
        <section aria-label={t('wall.ranking')} className="min-w-72 flex-1">
          <h2 className="mb-2 text-[max(28px,2.6vw)]">{t('wall.ranking')}</h2>
          <ol className="flex flex-col gap-2">
            {ranking.rows.slice(0, MOST).map(({ place, name, look, score: value }, index) => (
              <li key={index} className="panel flex items-center gap-4 px-4 py-1">
                <strong className="w-[1.5em] tabular-nums">{place}</strong>
                <OtterAvatar look={look} size="1.8em" />
                <bdi className="min-w-0 flex-1 truncate">{name}</bdi>
                <span className="tabular-nums">{score(value)}</span>
              </li>
            ))}
          </ol>
        </section>
      )}
    </div>
  )
}
