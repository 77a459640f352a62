import type { LiveView, Ranking } from '@otter/api'
import { livePlayTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { SoundSwitch } from '../../../live/SoundSwitch.tsx'
import type { Sounds } from '../../../live/useSounds.ts'
import { OtterAvatar } from '../../../live/OtterAvatar.tsx'
import { clockText, useTimeLeft } from '../../../ui/useTimeLeft.ts'

/** What stands over the game in a live session: the time, the own place, and whether all is paused. */
export function LiveNews({ live, sounds }: { live: LiveView; sounds: Sounds }) {
  const t = useTexts(livePlayTexts)
  const isPaused = live.phase === 'paused'
  const asked = useTimeLeft(live.left.asked, live.left, isPaused)
  const whole = useTimeLeft(live.left.whole, live.left, isPaused)
  const seconds = live.round ? (live.round.phase === 'asking' ? asked : null) : whole
  const rank = live.me?.rank
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <span className="flex flex-wrap items-baseline gap-x-3">
          {rank && live.phase !== 'over' && <span>{t('place', { place: rank.place, of: rank.of })}</span>}
          {rank && rank.effort > 0 && <span className="quiet">{t('effort', { points: rank.effort })}</span>}
        </span>
        <SoundSwitch sounds={sounds} className="ms-auto" />
        {seconds !== null && live.phase !== 'over' && (
          <strong className={`text-xl tabular-nums ${seconds <= 5 ? 'text-error' : ''}`} role="timer">
            {seconds > 0 ? t('left', { time: clockText(seconds) }) : t('timeUp')}
          </strong>
        )}
      </div>
      {isPaused && (
        <p role="status" className="panel border-warning p-3 text-center">
          {t('paused')}
        </p>
      )}
    </>
  )
}

/** What stands below a question that all were asked, once it is closed: how the class answered. */
export function RoundNews({ live: { round } }: { live: LiveView }) {
  const t = useTexts(livePlayTexts)
  if (round?.phase !== 'told') return null
  const all = round.split?.answers.reduce((sum, { count }) => sum + count, 0) ?? 0
  return (
    <section aria-label={t('split')} className="panel flex flex-col gap-2 p-4">
      <h3 className="text-lg">{t('split')}</h3>
      {all === 0 && <p>{t('nobodyAnswered')}</p>}
      <ul className="flex flex-col gap-1">
        {round.split?.answers.slice(0, 6).map(({ given, right, count }) => (
          <li key={`${given} ${right}`} className="grid grid-cols-[1fr_auto] gap-x-3">
            <span className={right ? 'font-bold' : ''}>
              {right ? '✓ ' : ''}
              <bdi>{given}</bdi>
            </span>
            <span className="tabular-nums">{count}</span>
            <span className="col-span-2 h-2 rounded-sm bg-base-300">
              <span
                className={`block h-full rounded-sm ${right ? 'bg-success' : 'stripes'}`}
                style={{ width: `${(count / all) * 100}%` }}
              />
            </span>
          </li>
        ))}
      </ul>
      {round.split && round.split.teams.length > 0 && (
        <p>{round.split.teams.map(({ name, right, of }) => t('teamShare', { team: name, right, of })).join(' · ')}</p>
      )}
      {round.split?.first && <p>{t('firstRight', { name: round.split.first })}</p>}
      <p className="quiet">{t('comes')}</p>
    </section>
  )
}

/** The first of a ranking, as far as the teacher shows it. */
export function RankingList({ ranking }: { ranking: Ranking }) {
  const t = useTexts(livePlayTexts)
  const score = (value: number): string =>
    ranking.by === 'share'
      ? t('share', { percent: Math.round(value * 100) })
      : t('points', { count: Math.round(value) })
  if (ranking.rows.length + ranking.teams.length === 0) return null
  return (
    <section aria-label={t('ranking')} className="panel flex flex-col gap-2 p-4">
      {ranking.teams.length > 0 && (
        <>
          <h3 className="text-lg">{t('teams')}</h3>
          <ol className="flex flex-col gap-1">
            {ranking.teams.map((team) => (
              <li key={team.teamId} className="flex items-center gap-3">
                <strong className="w-6 text-end tabular-nums">{team.place}</strong>
                <bdi className="min-w-0 flex-1 truncate">{team.name}</bdi>
                <span className="quiet tabular-nums">{score(team.score)}</span>
              </li>
            ))}
          </ol>
        </>
      )}
      {ranking.rows.length > 0 && (
        <>
          <h3 className="text-lg">{t('ranking')}</h3>
          <ol className="flex flex-col gap-1">
            {ranking.rows.map((row, index) => (
              <li key={index} className="flex items-center gap-3">
                <strong className="w-6 text-end tabular-nums">{row.place}</strong>
                <OtterAvatar look={row.look} size={32} />
                <bdi className="min-w-0 flex-1 truncate">{row.name}</bdi>
                <span className="quiet tabular-nums">{score(row.score)}</span>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  )
}
