import type { ReportReply, ReportScope } from '@otter/api'
import { useState, type ReactNode } from 'react'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { BriefCards } from './BriefCards.tsx'
import { Distribution, EntryBars, ProgressLine, ScoreTime } from './charts.tsx'
import { EntryTable } from './EntryTable.tsx'
import { Files } from './Files.tsx'
import { Groups } from './Groups.tsx'
import { KnowledgeMap } from './KnowledgeMap.tsx'
import { Refused } from './Refused.tsx'
import { ReteachButton } from './ReteachButton.tsx'
import { Standards } from './Standards.tsx'

interface ReportViewProps {
  scope: ReportScope
  report: ReportReply
  /** What else belongs to what the report is of: shown below the map. */
  children?: ReactNode
}

const SHARES = [100, 90, 80, 70, 60, 50]

/** A report: what to do, who knows what, and the pictures. */
export function ReportView({ scope, report, children }: ReportViewProps) {
  const t = useTexts(reportTexts)
  const [showsGroups, setShowsGroups] = useState(false)
  const { map } = report
  const hasStudents = map !== null && report.students.length > 0 && report.entries.length > 0
  if (report.entries.length === 0 && !children) return <p className="panel p-5">{t('nothing')}</p>
  return (
    <>
      <BriefCards report={report} />
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <ReteachMaker scope={scope} report={report} />
        {hasStudents && (
          <button
            type="button"
            className="btn h-11"
            aria-expanded={showsGroups}
            onClick={() => setShowsGroups(!showsGroups)}
          >
            {t('groups.title')}
          </button>
        )}
        <Files scope={scope} isOfClass={report.of === 'class'} />
      </div>
      {map === null && <p className="panel p-4">{t('large')}</p>}
      {showsGroups && hasStudents && <Groups scope={scope} report={{ ...report, map }} />}
      {hasStudents && <KnowledgeMap scope={scope} report={{ ...report, map }} />}
      {children}
      {report.entries.length > 0 && <Charts report={report} />}
      {report.of !== 'work' && report.entries.length > 0 && <EntryTable scope={scope} report={report} />}
      <Refused scope={scope} />
      <Standards standards={report.standards} />
    </>
  )
}

function Charts({ report: { entries, students, distribution, byAttempt, byWeek } }: { report: ReportReply }) {
  const t = useTexts(reportTexts)
  return (
    <section aria-labelledby="charts" className="flex flex-col gap-2">
      <h2 id="charts" className="text-2xl">
        {t('charts.title')}
      </h2>
      <div className="grid gap-4 md:grid-cols-2">
        <EntryBars entries={entries} />
        {distribution.some(({ count }) => count > 0) && <Distribution steps={distribution} />}
        {students.some(({ share }) => share !== null) && <ScoreTime students={students} />}
        {byAttempt.length > 1 && <ProgressLine by="attempts" steps={byAttempt} />}
        {byWeek.length > 1 && <ProgressLine by="weeks" steps={byWeek} />}
      </div>
    </section>
  )
}

/** The way to a list of what was missed: by so many, in one press. */
function ReteachMaker({ scope, report }: { scope: ReportScope; report: ReportReply }) {
  const t = useTexts(reportTexts)
  const [below, setBelow] = useState(70)
  const missed = report.entries.filter(({ right, wrong }) => right + wrong > 0 && right / (right + wrong) < below / 100)
  if (report.works.every(({ listId }) => listId === null) || report.map === null) return null
  return (
    <>
      <ReteachButton
        scope={scope}
        below={below / 100}
        title={t('reteach.listTitle', { title: report.title })}
        isMain
        disabled={missed.length === 0}
      >
        {t('reteach.make', { count: missed.length })}
      </ReteachButton>
      <label className="flex flex-col">
        <span className="quiet text-sm">{t('reteach.below')}</span>
        <select className="select h-11 w-auto" value={below} onChange={(event) => setBelow(Number(event.target.value))}>
          {SHARES.map((share) => (
            <option key={share} value={share}>
              {t('reteach.share', { share })}
            </option>
          ))}
        </select>
      </label>
    </>
  )
}
