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

interface ReportPartProps {
  scope: ReportScope
  report: ReportReply
}

const SHARES = [100, 90, 80, 70, 60, 50]

/** Returns a report whose students are told one by one; undefined where it is not, or there is nothing to tell. */
function withMap(report: ReportReply): (ReportReply & { map: string[] }) | undefined {
  const { map, students, entries } = report
  return map !== null && students.length > 0 && entries.length > 0 ? { ...report, map } : undefined
}

/** A report's beginning: what to do, and who knows what. */
export function ReportTop({ scope, report }: ReportPartProps) {
  const t = useTexts(reportTexts)
  const [showsGroups, setShowsGroups] = useState(false)
  const mapped = withMap(report)
  return (
    <>
      <BriefCards report={report} />
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <ReteachMaker scope={scope} report={report} />
        {mapped && (
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
      {report.map === null && <p className="panel p-4">{t('large')}</p>}
      {showsGroups && mapped && <Groups scope={scope} report={mapped} />}
      {mapped && <KnowledgeMap scope={scope} report={mapped} />}
    </>
  )
}

/** The rest of a report: the pictures, all entries, refused answers, and standards. */
export function ReportMore({ scope, report }: ReportPartProps) {
  return (
    <>
      {report.entries.length > 0 && <Charts report={report} />}
      {report.of !== 'work' && report.entries.length > 0 && <EntryTable scope={scope} report={report} />}
      <Refused scope={scope} />
      <Standards standards={report.standards} />
    </>
  )
}

/** A whole report of several pieces of work, with what else belongs to it. */
export function ReportView({ scope, report, children }: ReportPartProps & { children?: ReactNode }) {
  const t = useTexts(reportTexts)
  if (report.entries.length === 0) return <p className="panel p-5">{t('nothing')}</p>
  return (
    <>
      <ReportTop scope={scope} report={report} />
      {children}
      <ReportMore scope={scope} report={report} />
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
