import type { WallState } from '@otter/api'
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
        {round.phase === 'told' && ranking && <WallRanking ranking={ranking} />}
      </section>
    </Fitted>
  )
}
