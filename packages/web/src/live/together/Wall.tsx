import type { Split, WallState } from '@otter/api'
import { TEACHER } from '../../games/teacher.ts'
import { Fitted } from '../../games/Fitted.tsx'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { WallRanking } from '../WallRanking.tsx'

/** What all are asked, as its game shows it; once it is closed, who was first, and the ranking where it is wanted. */
export function Wall({ state: { kind, facts, ranking } }: { state: WallState }) {
  const t = useTexts(liveTexts)
  const { round, view } = facts
  const { inStep } = TEACHER[kind]
  if (!round || !inStep) return null
  return (
    <Fitted>
      <section className="mx-auto my-auto flex w-full max-w-5xl flex-col gap-4">
        <inStep.Wall view={view} split={round.split} />
        {round.split?.first && (
          <p aria-live="polite" className="text-center text-xl">
            {t('wall.first', { name: round.split.first })}
          </p>
        )}
        {round.split && round.split.teams.length > 0 && <TeamShares teams={round.split.teams} />}
        {round.phase === 'told' && ranking && <WallRanking ranking={ranking} />}
      </section>
    </Fitted>
  )
}

/** How much of each team was right: a team scores its share, however fast one of it was. */
function TeamShares({ teams }: Pick<Split, 'teams'>) {
  const t = useTexts(liveTexts)
  return (
    <ul className="flex flex-wrap justify-center gap-2 text-xl" aria-label={t('wall.shares')}>
      {teams.map(({ name, right, of }) => (
        <li key={name} className="panel px-3 py-1">
          {t('wall.share', { team: name, right, of })}
        </li>
      ))}
    </ul>
  )
}
