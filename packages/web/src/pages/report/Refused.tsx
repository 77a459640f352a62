import type { ReportScope } from '@otter/api'
import { useAccept, useRefused } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Typed answers that did not count, put together, each with the way to accept it. */
export function Refused({ scope }: { scope: ReportScope }) {
  const t = useTexts(reportTexts)
  const { list } = useWriting()
  const refused = useRefused(scope)
  const accept = useAccept()
  const groups = refused.data?.groups ?? []
  if (refused.data && groups.length === 0) return null
  return (
    <section aria-labelledby="refused" className="panel flex flex-col gap-2 p-4">
      <h2 id="refused" className="text-2xl">
        {t('refused.title')}
      </h2>
      <p className="quiet">{t('refused.help')}</p>
      <Notice error={refused.error ?? accept.error} />
      <ul className="flex flex-col">
        {groups.map(({ entryId, text, given, written, names }) => (
          <li
            key={`${entryId} ${given}`}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-base-300 py-2"
          >
            <span className="min-w-60 flex-1">
              <bdi className="font-bold">{written.join(' / ')}</bdi> {t('refused.for', { word: text })}
              <span className="quiet block text-sm">{t('refused.by', { names: list(names) })}</span>
            </span>
            <button
              type="button"
              className="btn h-11"
              disabled={accept.isPending}
              onClick={() => accept.mutate({ scope, entryId, written })}
            >
              {t('refused.accept', { given })}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
