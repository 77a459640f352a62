import type { ReportEntry, ReportReply, ReportScope } from '@otter/api'
import { useState } from 'react'
import { useEntryAnswers } from '../../api/reports.ts'
import { useGameWords } from '../../games/words.ts'
import { reportTexts, resultsTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { CellMark } from './marks.tsx'

/** Entries that are shown before all are asked for. */
const MOST = 12

/** Entries over all games of a report, those first that the fewest know. A press shows who gave what. */
export function EntryTable({ scope, report }: { scope: ReportScope; report: ReportReply }) {
  const t = useTexts(reportTexts)
  const [isWhole, setWhole] = useState(false)
  const [openId, setOpenId] = useState<string>()
  const shareOf = ({ right, wrong, passed }: ReportEntry): number =>
    right + wrong + passed === 0 ? 2 : right / (right + wrong + passed)
  const sorted = [...report.entries].sort((one, other) => shareOf(one) - shareOf(other))
  const hasTimes = report.entries.some(({ milliseconds }) => milliseconds !== null)
  const columns = [
    ...(['right', 'wrong', 'passed', 'notReached', 'mended'] as const),
    ...(hasTimes ? (['time', 'hints'] as const) : []),
  ]
  return (
    <section aria-labelledby="entries" className="panel flex flex-col gap-2 p-4">
      <h2 id="entries" className="text-2xl">
        {t('entries.title')} <span className="quiet font-sans text-base">{t('entries.order')}</span>
      </h2>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={t('entries.title')}>
        <table className="w-full text-sm">
          <thead>
            <tr>
              {(['word', ...columns, 'says'] as const).map((column) => (
                <th key={column} scope="col" className="p-2 text-start">
                  {t(`entries.columns.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {(isWhole ? sorted : sorted.slice(0, MOST)).map((entry) => (
              <EntryRow
                key={entry.entryId}
                scope={scope}
                entry={entry}
                hasTimes={hasTimes}
                isOpen={openId === entry.entryId}
                onToggle={() => setOpenId(openId === entry.entryId ? undefined : entry.entryId)}
              />
            ))}
          </tbody>
        </table>
      </div>
      {sorted.length > MOST && !isWhole && (
        <button type="button" className="btn h-11 self-start" onClick={() => setWhole(true)}>
          {t('entries.all', { count: sorted.length })}
        </button>
      )}
    </section>
  )
}

interface EntryRowProps {
  scope: ReportScope
  entry: ReportEntry
  hasTimes: boolean
  isOpen: boolean
  onToggle: () => void
}

function EntryRow({ scope, entry, hasTimes, isOpen, onToggle }: EntryRowProps) {
  const t = useTexts(reportTexts)
  const results = useTexts(resultsTexts)
  const { text, right, wrong, passed, notReached, mended, milliseconds, hints } = entry
  const words = [
    ...(entry.difficulty === null ? [] : [results(`figures.${entry.difficulty}`)]),
    results(entry.telling === null ? 'figures.tooFew' : `figures.${entry.telling}`),
  ]
  return (
    <>
      <tr className="border-t border-base-300">
        <th scope="row" className="p-2 text-start">
          <button
            type="button"
            className="link link-hover text-start font-bold"
            aria-expanded={isOpen}
            aria-label={t('entries.more', { word: text })}
            onClick={onToggle}
          >
            <bdi>{text}</bdi>
          </button>
        </th>
        {[right, wrong, passed, notReached, mended].map((count, index) => (
          <td key={index} className="p-2 tabular-nums">
            {count}
          </td>
        ))}
        {hasTimes && (
          <>
            <td className="p-2 tabular-nums">
              {milliseconds === null ? '–' : t('entries.seconds', { seconds: Math.round(milliseconds / 1000) })}
            </td>
            <td className="p-2 tabular-nums">{hints ?? '–'}</td>
          </>
        )}
        <td className="quiet p-2">
          {words.join(' · ')}
          {entry.perhapsMiskeyed && <strong className="block text-error">{results('figures.miskeyed')}</strong>}
        </td>
      </tr>
      {isOpen && (
        <tr>
          <td colSpan={hasTimes ? 9 : 7} className="p-2">
            <WhoGaveWhat scope={scope} entryId={entry.entryId} />
          </td>
        </tr>
      )}
    </>
  )
}

/** Who gave what to one entry, and in which games. */
function WhoGaveWhat({ scope, entryId }: { scope: ReportScope; entryId: string }) {
  const t = useTexts(reportTexts)
  const games = useGameWords()
  const answers = useEntryAnswers(scope, entryId)
  return (
    <div className="flex flex-wrap gap-x-10 gap-y-3 border-s-2 border-base-300 ps-3">
      <Notice error={answers.error} />
      <ul className="min-w-60 flex-1">
        {answers.data?.answers.map(({ personId, name, outcome, given, next }) => (
          <li key={personId} className="flex items-baseline gap-2">
            <bdi className="w-28 truncate font-bold">{name}</bdi>
            {outcome !== 'opinion' && <CellMark cell={outcome} />}
            <span>{t.coded(`cell.${outcome}`)}</span>
            {outcome === 'wrong' && given !== '' && <bdi className="truncate">{given}</bdi>}
            {next !== null && <span className="quiet">{t('entries.next', { outcome: t.coded(`cell.${next}`) })}</span>}
          </li>
        ))}
      </ul>
      {answers.data && answers.data.games.length > 0 && (
        <div>
          <h3 className="font-bold">{t('entries.games')}</h3>
          <ul>
            {answers.data.games.map(({ offerId, title, kind, right, wrong, passed }) => (
              <li key={offerId}>
                <bdi>{title}</bdi> · {games.name(kind)} · {t('map.rightOf', { right, met: right + wrong + passed })}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  )
}
