import type { ReportScope } from '@otter/api'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useReport } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ReportView } from './ReportView.tsx'
import { SpanChoice, spanOf, type Span } from './SpanChoice.tsx'
import { StudentLinks } from './StudentLinks.tsx'

/** What a class knows, over a span of time. */
export function ClassReportPage() {
  const t = useTexts(reportTexts)
  const { id = '' } = useParams()
  const [span, setSpan] = useState<Span>({ days: 'all', from: '', to: '' })
  const scope: ReportScope = { class: id, ...spanOf(span) }
  const report = useReport(scope)
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-4 px-4 py-5">
      <header className="flex flex-wrap items-end gap-3">
        <div className="me-auto">
          <h1 className="text-4xl" dir="auto">
            {report.data?.title ?? t('title')}
          </h1>
          {report.data && (
            <p className="quiet">
              {[
                t('facts.works', { count: report.data.works.length }),
                t('facts.students', { count: report.data.students.length }),
                t('facts.live'),
              ].join(' · ')}
            </p>
          )}
        </div>
        <SpanChoice span={span} onChange={setSpan} />
        <Link className="btn h-11 print:hidden" to={`/classes/${id}`}>
          {t('student.back', { name: report.data?.title ?? '' })}
        </Link>
      </header>
      <Notice error={report.error} />
      {!report.data && !report.error && <Waterline filled={undefined} label={t('fetching')} />}
      {report.data && (
        <ReportView scope={scope} report={report.data}>
          {report.data.students.length > 0 && <StudentLinks classId={id} students={report.data.students} />}
        </ReportView>
      )}
    </main>
  )
}
