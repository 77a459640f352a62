import type { ResultsReply } from '@otter/api'
import { Link } from 'react-router'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Emblem } from '../../wall/Emblem.tsx'

/** The teams of a game at the wall, with what they have. */
export function Teams({ results: { teams, offer } }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const { list } = useWriting()
  return (
    <section aria-labelledby="teams" className="flex flex-col gap-2">
      <h2 id="teams" className="text-2xl">
        {t('teams')}
      </h2>
      <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label={t('teamsTable')}>
        <table className="w-full text-start">
          <thead>
            <tr className="text-sm">
              {(['team', 'points', 'right', 'wrong', 'passed'] as const).map((name) => (
                <th key={name} scope="col" className="px-3 py-2 text-start font-normal">
                  {t(`teamColumn.${name}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {teams.map(({ teamId, name, emblem, members, points, right, wrong, passed }) => (
              <tr key={teamId} className="border-t border-base-300">
                <th scope="row" className="px-3 py-2 text-start">
                  <span className="flex items-center gap-2">
                    <Emblem name={emblem} />
                    <span>
                      <bdi>{name}</bdi>
                      {members.length > 0 && <span className="quiet block text-sm font-normal">{list(members)}</span>}
                    </span>
                  </span>
                </th>
                <td className="px-3 py-2 font-bold">{points}</td>
                <td className="px-3 py-2">{right}</td>
                <td className="px-3 py-2">{wrong}</td>
                <td className="px-3 py-2">{passed}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet">{t('teamsHelp')}</p>
      <Link className="btn h-11 self-start" to={`/wall/${offer.id}`}>
        {t('toWall')}
      </Link>
    </section>
  )
}
