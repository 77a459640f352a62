import type { ParticipantResult, ResultsReply } from '@otter/api'
import type { GameKind, Outcome } from '@otter/core'
import { Ellipsis } from 'lucide-react'
import { useState } from 'react'
import { useParticipantAction } from '../../api/results.ts'
import { LateSign } from './LateAnswers.tsx'
import { StudentDialog } from './StudentDialog.tsx'
import { resultsTexts } from '../../texts/namespaces.ts'
import { useGameWords } from '../../games/words.ts'
import type messages from '../../texts/en/results.json'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting, type Say, type Writing } from '../../texts/texts.ts'

/** What stands for an outcome in a line. */
const SIGNS: Record<Outcome, string> = { right: '✓', wrong: '✗', passed: '–', opinion: '·' }

/** How long ago something was last seen counts as "now", in milliseconds. */
const JUST_NOW = 60_000

function isHere(lastSeenAt: string): boolean {
  return Date.now() - Date.parse(lastSeenAt) < 3 * JUST_NOW
}

/** Returns when a student was last seen: how long ago, or at which time. */
function seen(at: string, t: Say<typeof messages>, date: Writing['date']): string {
  const ago = Date.now() - Date.parse(at)
  if (ago < JUST_NOW) return t('justNow')
  if (ago < 3_600_000) return t('minutesAgo', { count: Math.round(ago / 60_000) })
  return date(at, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

function clock(milliseconds: number): string {
  return `${Math.floor(milliseconds / 60_000)}:${String(Math.floor(milliseconds / 1000) % 60).padStart(2, '0')}`
}

/** A column of the table; some are there only where a game has something to show in them. */
interface Column {
  name: 'first' | 'points' | 'second' | 'time' | 'hints' | 'misses' | 'attempts'
  cell: (student: ParticipantResult, t: Say<typeof messages>) => string | number
  shown?: (students: readonly ParticipantResult[]) => boolean
}

const COLUMNS: readonly Column[] = [
  { name: 'first', cell: ({ firstRight }) => firstRight },
  { name: 'points', cell: ({ points }) => points, shown: (all) => all.some(({ points }) => points > 0) },
  {
    name: 'second',
    cell: ({ second }, t) => (second.total > 0 ? t('of', second) : '–'),
    shown: (all) => all.some(({ second }) => second.total > 0),
  },
  { name: 'time', cell: ({ milliseconds }) => clock(milliseconds) },
  { name: 'hints', cell: ({ hints }) => hints, shown: (all) => all.some(({ hints }) => hints > 0) },
  { name: 'misses', cell: ({ misses }) => misses, shown: (all) => all.some(({ misses }) => misses > 0) },
  { name: 'attempts', cell: ({ attempts }) => attempts },
]

/** The students of an offer, in the order of their names. */
export function Students({ results: { participants, offer } }: { results: ResultsReply }) {
  const t = useTexts(resultsTexts)
  const [openId, setOpenId] = useState<string>()
  const { date } = useWriting()
  const present = participants.filter(({ removed, waits }) => !removed && !waits)
  const done = present.filter(({ finished }) => finished).length
  const columns = COLUMNS.filter(({ shown }) => shown?.(participants) ?? true)
  const open = participants.find(({ participantId }) => participantId === openId)
  return (
    <section aria-labelledby="students" className="flex flex-col gap-2">
      <h2 id="students" className="text-2xl">
        {t('students')}{' '}
        <span className="quiet font-sans text-base">
          {[
            t('joined', { count: present.length }),
            t('finished', { count: done }),
            t('code', { code: offer.code }),
            ...(offer.open ? [] : [t('closed')]),
          ].join(' · ')}
        </span>
      </h2>
      <Returning offerId={offer.id} students={participants.filter(({ waits }) => waits)} />
      {participants.length === 0 && (
        <p className="panel p-5">
          <Rich texts={resultsTexts} id="nobody" values={{ code: offer.code }} marks={{ strong: <strong /> }} />
        </p>
      )}
      {participants.length > 0 && (
        <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label={t('table')}>
          <table className="w-full text-start">
            <thead>
              <tr className="text-sm">
                {(['student', 'right', ...columns.map(({ name }) => name), 'seen'] as const).map((name) => (
                  <th key={name} scope="col" className="px-2 py-2 text-start">
                    {t(`column.${name}`)}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {participants
                .filter(({ waits }) => !waits)
                .map((student) => (
                  <tr
                    key={student.participantId}
                    className={`border-t border-base-300 ${student.removed ? 'quiet' : ''}`}
                  >
                    <th scope="row" className="max-w-40 truncate px-2 py-2 text-start" dir="auto">
                      {student.name}
                      {student.removed && <span className="font-normal"> · {t('takenOut')}</span>}
                      {student.late && <LateSign onOpen={() => setOpenId(student.participantId)} />}
                    </th>
                    <td className="px-2 py-2 tabular-nums">
                      <Right student={student} kind={offer.kind} />
                    </td>
                    {columns.map(({ name, cell }) => (
                      <td key={name} className="px-2 py-2 tabular-nums">
                        {cell(student, t)}
                      </td>
                    ))}
                    <td className="quiet whitespace-nowrap px-2 py-2">{seen(student.lastSeenAt, t, date)}</td>
                    <td className="pe-1">
                      <button
                        type="button"
                        className="btn btn-ghost btn-sm btn-square"
                        aria-label={t('moreAbout', { name: student.name })}
                        onClick={() => setOpenId(student.participantId)}
                      >
                        <Ellipsis size={18} aria-hidden="true" />
                      </button>
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      )}
      {open && (
        <StudentDialog
          classId={offer.classId}
          key={open.participantId}
          offerId={offer.id}
          student={open}
          others={participants.filter((other) => other !== open)}
          onClose={() => setOpenId(undefined)}
        />
      )}
    </section>
  )
}

/** Students on another device who say to be one that is there: the teacher knows. */
function Returning({ offerId, students }: { offerId: string; students: readonly ParticipantResult[] }) {
  const t = useTexts(resultsTexts)
  const action = useParticipantAction(offerId)
  if (students.length === 0) return null
  return (
    <div role="status">
      <ul className="flex flex-col gap-2">
        {students.map(({ participantId, name }) => (
          <li key={participantId} className="panel flex flex-wrap items-center gap-2 border-secondary p-3">
            <span className="flex-1">{t('comesBack', { name })}</span>
            {[true, false].map((same) => (
              <button
                key={String(same)}
                type="button"
                className={`btn h-11 ${same ? 'btn-primary' : ''}`}
                disabled={action.isPending}
                onClick={() => action.mutate({ participantId, act: 'return', same })}
              >
                {t(same ? 'isSame' : 'isOther')}
              </button>
            ))}
          </li>
        ))}
      </ul>
    </div>
  )
}

function Right({
  student: { right, total, finished, lastSeenAt, attempts, doing },
  kind,
}: {
  student: ParticipantResult
  kind: GameKind
}) {
  const words = useGameWords()
  const t = useTexts(resultsTexts)
  if (attempts === 0) return <span className="quiet text-sm">{t('notBegun')}</span>
  return (
    <>
      {total > 0 ? (
        <Rich texts={resultsTexts} id="ofStrong" values={{ right, total }} marks={{ strong: <strong /> }} />
      ) : (
        <span className="quiet">{t('notScored')}</span>
      )}
      {finished ? '' : <span className="quiet text-sm"> · {isHere(lastSeenAt) ? t('playing') : t('leftOff')}</span>}
      {doing && (
        <span className="quiet block text-sm">
          {words.doing(kind, doing)}
          {doing.last.length > 0 && (
            <span className="whitespace-nowrap"> · {doing.last.map((outcome) => SIGNS[outcome]).join('')}</span>
          )}
        </span>
      )}
    </>
  )
}
