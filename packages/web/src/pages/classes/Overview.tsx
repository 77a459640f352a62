import type { ClassOverview } from '@otter/api'
import { Check, Clock, Copy } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { StudentWorkDialog } from './StudentWorkDialog.tsx'
import { sortedStudents, type Sorting } from './sortedStudents.ts'

type Standing = ClassOverview['students'][number]['standings'][number]

/** Who of a class has done what: a row for each student, a column for each piece of work. */
export function Overview({ classId, overview: { work, students } }: { classId: string; overview: ClassOverview }) {
  const t = useTexts(classesTexts)
  const games = useGameWords()
  const { date } = useWriting()
  const [sorting, setSorting] = useState<Sorting>({ by: 'name', isDown: false })
  const [opened, setOpened] = useState<{ studentId: string; name: string; offerId: string }>()
  const [shows, setShows] = useState<'all' | 'not-begun'>('all')
  if (work.length === 0) return <p className="panel p-4">{t('noWork')}</p>
  const behind = (standings: readonly Standing[]): boolean =>
    standings.some((standing, index) => standing?.state === 'not-begun' && work[index]!.open)
  const shown = sortedStudents(students, sorting).filter(({ standings }) => shows === 'all' || behind(standings))
  const sort = (by: Sorting['by']): void =>
    setSorting(sorting.by === by ? { by, isDown: !sorting.isDown } : { by, isDown: false })
  const order = (by: Sorting['by']): 'ascending' | 'descending' | 'none' =>
    sorting.by !== by ? 'none' : sorting.isDown ? 'descending' : 'ascending'
  return (
    <section aria-labelledby="overview" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="overview" className="me-auto text-2xl">
          {t('overview')}
        </h2>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={shows === 'not-begun'}
            onChange={(event) => setShows(event.target.checked ? 'not-begun' : 'all')}
          />
          {t('onlyBehind')}
        </label>
        <CopyNames names={students.filter(({ standings }) => behind(standings)).map(({ name }) => name)} />
      </div>
      <div className="panel overflow-x-auto" tabIndex={0} role="group" aria-label={t('overview')}>
        <table className="w-full border-collapse text-sm">
          <thead>
            <tr className="border-b border-base-300">
              <th scope="col" aria-sort={order('name')} className="sticky start-0 bg-base-100 p-2 text-start">
                <button type="button" className="link link-hover font-bold" onClick={() => sort('name')}>
                  {t('student')}
                </button>
              </th>
              {work.map(({ offerId, listId, name, title, kind, dueAt, open, isMine }, index) => (
                <th key={offerId} scope="col" aria-sort={order(index)} className="min-w-28 p-2 text-start align-bottom">
                  <button type="button" className="link link-hover text-start font-bold" onClick={() => sort(index)}>
                    <bdi>{name || title}</bdi>
                  </button>
                  <p className="quiet font-normal">
                    {[
                      games.name(kind),
                      ...(dueAt ? [t('due', { when: date(dueAt, { day: 'numeric', month: 'short' }) })] : []),
                      ...(open ? [] : [t('closed')]),
                    ].join(' · ')}
                  </p>
                  {isMine && listId !== null && (
                    <Link className="link font-normal" to={`/lists/${listId}/results?link=${offerId}`}>
                      {t('answers')}
                    </Link>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map(({ id, name, lastSeenAt, standings }) => (
              <tr key={id} className="border-b border-base-300">
                <th scope="row" className="sticky start-0 bg-base-100 p-2 text-start font-normal">
                  <bdi>{name}</bdi>
                  {lastSeenAt && (
                    <p className="quiet text-xs">
                      {t('seen', {
                        when: date(lastSeenAt, { day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' }),
                      })}
                    </p>
                  )}
                </th>
                {standings.map((standing, index) => (
                  <td key={work[index]!.offerId} className="p-2">
                    <StandingCell
                      standing={standing}
                      name={name}
                      // What a colleague has set is seen, and its answers stay with the colleague.
                      onOpen={
                        work[index]!.isMine && standing && standing.attempts > 0
                          ? () => setOpened({ studentId: id, name, offerId: work[index]!.offerId })
                          : undefined
                      }
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && <p className="quiet">{t('nobodyBehind')}</p>}
      {opened && <StudentWorkDialog classId={classId} {...opened} onClose={() => setOpened(undefined)} />}
    </section>
  )
}

function StandingCell({
  standing,
  name,
  onOpen,
}: {
  standing: Standing
  name: string
  /** Opens the answers; undefined where there are none to see. */
  onOpen: (() => void) | undefined
}) {
  const t = useTexts(classesTexts)
  if (!standing) return <span className="quiet">{t('notFor')}</span>
  const { state, attempts, share, passed, late } = standing
  if (state === 'not-begun') return <span className="quiet">{t('state.not-begun')}</span>
  const told = share === null ? t('state.under-way') : t('percent', { percent: Math.round(share * 100) })
  return (
    <>
      <p className="flex items-center gap-1">
        {onOpen ? (
          <button type="button" className="link font-bold" onClick={onOpen}>
            {told}
            <span className="sr-only"> {t('work.open', { name })}</span>
          </button>
        ) : (
          <strong>{told}</strong>
        )}
        {passed === true && <Check size={14} className="text-success" aria-label={t('passed')} />}
        {late && <Clock size={14} className="text-error" aria-label={t('late')} />}
      </p>
      <p className="quiet text-xs">
        {[
          ...(share !== null && state === 'under-way' ? [t('state.under-way')] : []),
          ...(passed === false ? [t('notPassed')] : []),
          ...(attempts > 1 ? [t('attempts', { count: attempts })] : []),
        ].join(' · ')}
      </p>
    </>
  )
}

/** Copies the names of who has something to begin, as a reminder. */
function CopyNames({ names }: { names: readonly string[] }) {
  const t = useTexts(classesTexts)
  const [copied, setCopied] = useState(false)
  return (
    <button
      type="button"
      className="btn h-11"
      disabled={names.length === 0}
      onClick={() =>
        void navigator.clipboard.writeText(names.join('\n')).then(
          () => setCopied(true),
          () => setCopied(false),
        )
      }
    >
      <Copy size={16} aria-hidden="true" />
      <span aria-live="polite">{copied ? t('copied') : t('copyBehind', { count: names.length })}</span>
    </button>
  )
}
