import { TEACHER } from '../../games/teacher.ts'
import { useScreenScale } from '../../games/Wall.tsx'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import type { WayWallProps } from '../contract.ts'
import { Wall as AskedWall } from '../together/Wall.tsx'

/** The board with the teams below it, and the question that one of them named. */
export function Wall({ state, onPick }: WayWallProps) {
  const t = useTexts(liveTexts)
  const { kind, facts, ranking, chooser } = state
  const scale = useScreenScale()
  const { Board } = TEACHER[kind].inStep ?? {}
  if (facts.round || !Board) return <AskedWall state={state} />
  return (
    <div className="flex flex-1 flex-col gap-[2vh]">
      <p role="status" className="text-center">
        {chooser === null ? t('wall.choose') : t('wall.chooses', { team: chooser })}
      </p>
      <div className="on-wall flex flex-1 flex-col" style={{ zoom: scale }}>
        <Board view={facts.view} onPick={onPick} />
      </div>
      {ranking && (
        <ol className="flex flex-wrap justify-center gap-[1vw]" aria-label={t('wall.teams')}>
          {ranking.teams.map(({ teamId, name, score }) => (
            <li key={teamId} className="panel flex min-w-0 items-baseline gap-4 px-4 py-1">
              <bdi className="truncate">{name}</bdi>
              <strong className="tabular-nums">{Math.round(score)}</strong>
            </li>
          ))}
        </ol>
      )}
    </div>
  )
}
