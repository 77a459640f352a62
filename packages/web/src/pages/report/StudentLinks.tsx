import type { ReportStudent } from '@otter/api'
import { Link } from 'react-router'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** The ways from a class's report to what each of its students knows, with their scores. */
export function StudentLinks({ classId, students }: { classId: string; students: readonly ReportStudent[] }) {
  const t = useTexts(reportTexts)
  const own = students.filter(({ isStudent }) => isStudent)
  if (own.length === 0) return null
  return (
    <section aria-labelledby="students" className="panel p-4">
      <h2 id="students" className="text-2xl">
        {t('map.students')}
      </h2>
      <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-4">
        {own.map(({ id, name, share, begun }) => (
          <li key={id} className="flex items-baseline gap-2 border-t border-base-300 py-1">
            <Link className="link me-auto truncate" to={`/classes/${classId}/students/${id}`}>
              <bdi>{name}</bdi>
            </Link>
            <span className="tabular-nums">{share === null ? '–' : `${Math.round(share * 100)} %`}</span>
            <span className="quiet text-sm">{t('facts.works', { count: begun })}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
