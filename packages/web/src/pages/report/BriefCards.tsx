import type { ReportReply } from '@otter/api'
import { useId, type ReactNode } from 'react'
import { reportTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Troubles } from './Troubles.tsx'

/** Names and questions that are told at most. */
const MOST_NAMES = 8
const MOST_KEYS = 3

/** What a teacher can act on: what to teach again, which key to look at, and what was no matter of knowing. */
export function BriefCards({ report }: { report: ReportReply }) {
  const t = useTexts(reportTexts)
  const { list } = useWriting()
  const { teach, notBegun } = report.brief
  const [first] = teach
  const isAnswered = report.entries.some(({ right, wrong, passed }) => right + wrong + passed > 0)
  const miskeyed = report.entries.filter(({ perhapsMiskeyed }) => perhapsMiskeyed).slice(0, MOST_KEYS)
  const troubled = report.students.filter(({ trouble }) => trouble !== null)
  return (
    <div className="grid gap-4 md:grid-cols-3">
      <Card title={t('brief.teach')} edge="border-s-error">
        {teach.length === 0 ? (
          t(isAnswered ? 'brief.allKnown' : 'brief.noAnswers')
        ) : (
          <Rich
            texts={reportTexts}
            id="brief.teachText"
            values={{ words: list(teach.map(({ text }) => text)) }}
            marks={{ strong: <strong /> }}
          />
        )}{' '}
        {first !== undefined && first.leading !== null && (
          <Rich
            texts={reportTexts}
            id="brief.leading"
            values={{ count: first.leads, word: first.text, given: first.leading }}
            marks={{ em: <em /> }}
          />
        )}
      </Card>
      <Card title={t('brief.key')} edge="border-s-primary">
        {miskeyed.length === 0
          ? t(isAnswered ? 'brief.fine' : 'brief.noAnswers')
          : t('brief.miskeyed', { count: miskeyed.length, words: list(miskeyed.map(({ text }) => text)) })}{' '}
        {miskeyed.length > 0 && report.of === 'work' && (
          <a className="link" href="#questions">
            {t('brief.correct')}
          </a>
        )}
      </Card>
      <Card title={t('brief.other')} edge="border-s-secondary">
        {notBegun.length > 0 &&
          t('brief.notBegun', {
            count: notBegun.length,
            names:
              notBegun.length > MOST_NAMES
                ? t('brief.andMore', {
                    names: list(notBegun.slice(0, MOST_NAMES)),
                    count: notBegun.length - MOST_NAMES,
                  })
                : list(notBegun),
          })}
        {troubled.length > 0 && <Troubles students={troubled} />}
        {notBegun.length === 0 && troubled.length === 0 && t('brief.undisturbed')}
      </Card>
    </div>
  )
}

function Card({ title, edge, children }: { title: string; edge: string; children: ReactNode }) {
  const id = useId()
  return (
    <section aria-labelledby={id} className={`panel border-s-4 p-4 ${edge}`}>
      <h2 id={id} className="text-xl">
        {title}
      </h2>
      <div>{children}</div>
    </section>
  )
}
