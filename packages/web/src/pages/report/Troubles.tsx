import type { ReportStudent } from '@otter/api'
import { useState } from 'react'
import { useMakeGood } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Students that are told at once. */
const MOST = 3

/** What came between students and their work, with what makes it good in one press. */
export function Troubles({ students }: { students: readonly ReportStudent[] }) {
  const t = useTexts(reportTexts)
  const make = useMakeGood()
  const [isWhole, setWhole] = useState(false)
  const shown = isWhole ? students : students.slice(0, MOST)
  return (
    <>
      <ul className="flex flex-col gap-2">
        {shown.map((student) => (
          <li key={student.id}>
            <TroubleText student={student} />{' '}
            {student.trouble!.isLimited && (
              <button
                type="button"
                className="link"
                aria-label={t('trouble.timeTo', { name: student.name })}
                disabled={make.isPending}
                onClick={() => make.mutate({ ...placeOf(student), give: 'time-back' })}
              >
                {t('trouble.timeBack')}
              </button>
            )}{' '}
            <button
              type="button"
              className="link"
              aria-label={t('trouble.to', { name: student.name })}
              disabled={make.isPending}
              onClick={() => make.mutate({ ...placeOf(student), give: 'give-back' })}
            >
              {t('trouble.attemptBack')}
            </button>
          </li>
        ))}
      </ul>
      {students.length > MOST && !isWhole && (
        <button type="button" className="link" onClick={() => setWhole(true)}>
          {t('entries.all', { count: students.length })}
        </button>
      )}
      <Notice error={make.error} />
    </>
  )
}

function placeOf({ trouble }: ReportStudent): { offerId: string; playId: string } {
  const { offerId, playId } = trouble!
  return { offerId, playId }
}

/** What came between, in words. */
function TroubleText({ student: { name, trouble } }: { student: ReportStudent }) {
  const t = useTexts(reportTexts)
  const { gone, place, waited, late, reloads } = trouble!
  const minutes = Math.max(1, Math.round(gone / 60_000))
  return [
    gone > 0 ? t('trouble.gone', { name, count: minutes, place: place ?? 1 }) : t('trouble.short', { name }),
    ...(waited > 0 ? [t('trouble.waited', { count: waited })] : []),
    ...(late > 0 ? [t('trouble.late', { count: late })] : []),
    ...(reloads > 0 ? [t('trouble.reloads', { count: reloads })] : []),
  ].join(' ')
}
