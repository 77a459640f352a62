import type { HostState, HostStudent } from '@otter/api'
import type { Outcome } from '@otter/core'
import { useState } from 'react'
import { useGameWords } from '../../games/words.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { LateSign } from '../results/LateAnswers.tsx'
import { AnswersDialog } from './AnswersDialog.tsx'
import { placed } from './progress.ts'
import { useNow } from './useNow.ts'

/** Who is quiet for so long is said to be, in milliseconds; and so many right in a row are told. */
const QUIET = 20_000
const STREAK = 3

/** Each student's place, what they are doing this moment, and how their last answers went. */
export function StudentTable({ state }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const words = useGameWords()
  const now = useNow(state.facts.now)
  const [open, setOpen] = useState<string>()
  const rows = placed(state)
  const opened = state.students.find(({ participantId }) => participantId === open)
  const hasTeams = state.teams.length > 0
  const doing = ({ done, begun, rounds, connected, lastAt, last, doing: what }: HostStudent): string => {
    if (done && begun) return t('running.done')
    if (!connected && !done) return t('running.gone')
    if (!begun && rounds <= 1) return t('running.notBegun')
    if (now - lastAt >= QUIET) return t('running.idle', { count: Math.round((now - lastAt) / 1000) })
    const streak = last.length - 1 - last.findLastIndex((outcome) => outcome !== 'right')
    const told = what ? words.doing(state.kind, what) : ''
    return streak >= STREAK ? `${told} · ${t('running.streak', { count: streak })}` : told
  }
  if (rows.length === 0) return <p className="panel p-4">{t('running.noStudents')}</p>
  return (
    <div className="panel overflow-x-auto">
      <table className="w-full text-start">
        <thead>
          <tr className="quiet border-b border-base-300 text-sm">
            <th className="px-3 py-2 text-start font-bold">
              <span className="sr-only">{t('running.place')}</span>
            </th>
            <th className="px-2 py-2 text-start font-bold">{t('running.student')}</th>
            {hasTeams && <th className="px-2 py-2 text-start font-bold">{t('running.team')}</th>}
            <th className="px-2 py-2 text-start font-bold">{t('running.now')}</th>
            <th className="px-2 py-2 text-start font-bold">{t('running.score')}</th>
            <th className="px-2 py-2 text-start font-bold">{t('running.last')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ row: student, place }) => (
            <tr key={student.participantId} className="border-b border-base-300 last:border-0">
              <td className="px-3 py-2 tabular-nums">{place > 0 ? place : ''}</td>
              <td className="px-2 py-1">
                <button
                  type="button"
                  className="btn btn-ghost h-9 px-1 text-start"
                  aria-label={t('running.open', { name: student.name })}
                  onClick={() => setOpen(student.participantId)}
                >
                  <bdi>{student.name}</bdi>
                </button>
                {student.late && <LateSign onOpen={() => setOpen(student.participantId)} />}
                {student.note !== '' && <bdi className="quiet ms-1 text-sm">{student.note}</bdi>}
              </td>
              {hasTeams && (
                <td className="quiet px-2 py-2">
                  <bdi>{state.teams.find(({ teamId }) => teamId === student.teamId)?.name}</bdi>
                </td>
              )}
              <td className="quiet px-2 py-2">{doing(student)}</td>
              <td className="whitespace-nowrap px-2 py-2 tabular-nums">
                {student.total > 0 ? t('running.of', { right: student.right, total: student.total }) : ''}
                {student.points > 0 && <span className="quiet"> · {t('points', { count: student.points })}</span>}
                {student.effort > 0 && (
                  <span className="quiet"> {t('running.effort', { points: student.effort })}</span>
                )}
              </td>
              <td className="px-2 py-2">
                <LastOutcomes outcomes={student.last} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {opened && <AnswersDialog offerId={state.id} student={opened} onClose={() => setOpen(undefined)} />}
    </div>
  )
}

/** The last outcomes as marks that differ by shape; the newest last. */
function LastOutcomes({ outcomes }: { outcomes: readonly Outcome[] }) {
  const t = useTexts(liveTexts)
  if (outcomes.length === 0) return <span className="quiet">–</span>
  const label = outcomes.map((outcome) => t(`running.outcomes.${outcome}`)).join(', ')
  return (
    <svg role="img" aria-label={label} width={outcomes.length * 17} height={16} className="rtl:-scale-x-100">
      {outcomes.map((outcome, index) => (
        <Mark key={index} outcome={outcome} x={index * 17 + 8} />
      ))}
    </svg>
  )
}

function Mark({ outcome, x }: { outcome: Outcome; x: number }) {
  if (outcome === 'right' || outcome === 'opinion')
    return <circle cx={x} cy={8} r={6} className={outcome === 'right' ? 'fill-success' : 'fill-base-300'} />
  if (outcome === 'passed')
    return <path d={`M${x - 6} 8h12`} className="stroke-error" strokeWidth={2.5} strokeLinecap="round" />
  return <path d={`M${x} 2l6 6-6 6-6-6z`} fill="none" className="stroke-error" strokeWidth={2} />
}
