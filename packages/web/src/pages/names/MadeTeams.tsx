import type { RosterReply } from '@otter/api'
import { useState } from 'react'
import { namesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { useUsualTeams } from '../../wall/atWall.ts'
import { Emblem } from '../../wall/Emblem.tsx'
import { keepTeams } from '../../wall/keptTeams.ts'
import { keepLiveChoice, keptLiveChoice } from '../share/liveChoice.ts'
import type { TeamsAnswer } from './teams.worker.ts'

/** Teams as they were made, how good they are, and where they go. */
export function MadeTeams({ made, roster }: { made: TeamsAnswer; roster: RosterReply }) {
  const t = useTexts(namesTexts)
  const usual = useUsualTeams()
  const [used, setUsed] = useState<'wall' | 'live' | null>(null)
  const nameOf = (id: string): string => roster.students.find((student) => student.id === id)?.name ?? ''
  const teams = made.teams.map((ids, index) => ({ ...usual[index]!, members: ids.map(nameOf) }))
  const percent = (share: number): number => Math.round(share * 100)
  const useAtWall = (): void => {
    keepTeams(teams)
    setUsed('wall')
  }
  const useLive = (): void => {
    keepLiveChoice({
      ...keptLiveChoice(),
      teams: 'drawn',
      teamNames: teams.map(({ name, members }) => `${name}: ${members.join(', ')}`).join('\n'),
      names: 'list',
      roster: teams.flatMap(({ members }) => members).join('\n'),
    })
    setUsed('live')
  }
  return (
    <div className="flex flex-col gap-3" role="status">
      {made.refused.map(({ type, ids }) => (
        <p key={ids.join()} className="text-error">
          {t(`teams.refused.${type}`, { one: nameOf(ids[0]), other: nameOf(ids[1]) })}
        </p>
      ))}
      {made.spread !== null && (
        <p className="quiet">
          {t(made.isBest ? 'teams.spreadBest' : 'teams.spread', {
            spread: percent(made.spread),
            bound: percent(made.bound ?? 0),
          })}
        </p>
      )}
      {made.alike !== null && (
        <p className="quiet">{t(made.isBest ? 'teams.alikeBest' : 'teams.alike', { share: percent(made.alike) })}</p>
      )}
      <ol className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {teams.map(({ name, emblem, members }) => (
          <li key={emblem} className="panel p-3">
            <p className="flex items-center gap-2 text-xl font-bold">
              <Emblem name={emblem} />
              {name}
            </p>
            <ul>
              {members.map((member) => (
                <li key={member}>
                  <bdi>{member}</bdi>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-2 print:hidden">
        <button type="button" className="btn h-11" disabled={teams.length < 2} onClick={useAtWall}>
          {t('teams.toWall')}
        </button>
        <button type="button" className="btn h-11" disabled={teams.length < 2} onClick={useLive}>
          {t('teams.toLive')}
        </button>
        {used && <span>{t(`teams.used.${used}`)}</span>}
      </div>
    </div>
  )
}
