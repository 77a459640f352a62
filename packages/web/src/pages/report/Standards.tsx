import type { ReportReply } from '@otter/api'
import { useSaveStandards } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { TakeCase } from './TakeCase.tsx'

/** How the class stands at each standard, how sure that is, and what the codes mean. */
export function Standards({ standards }: { standards: ReportReply['standards'] }) {
  const t = useTexts(reportTexts)
  const save = useSaveStandards()
  if (standards.length === 0) return null
  return (
    <section aria-labelledby="standards" className="panel flex flex-col gap-2 p-4">
      <h2 id="standards" className="text-2xl">
        {t('standards.title')}
      </h2>
      <p className="quiet">{t('standards.help')}</p>
      <Notice error={save.error} />
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={t('standards.title')}>
        <table className="w-full">
          <thead>
            <tr className="text-sm">
              {(['code', 'meaning', 'right', 'sure'] as const).map((column) => (
                <th key={column} scope="col" className="p-2 text-start">
                  {t(`standards.columns.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {standards.map(({ code, label, right, answers, from, to, word }) => (
              <tr key={code} className="border-t border-base-300">
                <th scope="row" className="p-2 text-start whitespace-nowrap">
                  <bdi>{code}</bdi>
                </th>
                <td className="p-2">
                  <input
                    key={label}
                    className="input h-11 w-full min-w-60"
                    dir="auto"
                    maxLength={500}
                    aria-label={t('standards.meaning', { code })}
                    defaultValue={label}
                    onBlur={(event) => {
                      const typed = event.target.value.trim()
                      if (typed !== label) save.mutate({ standards: [{ code, label: typed }] })
                    }}
                  />
                </td>
                <td className="p-2 whitespace-nowrap tabular-nums">{t('map.rightOf', { right, met: answers })}</td>
                <td className="p-2">
                  {t(`standards.${word}`)}
                  {from !== null && to !== null && word !== 'too-few' && (
                    <span className="quiet block text-sm">
                      {t('standards.between', { from: Math.round(from * 100), to: Math.round(to * 100) })}
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <TakeCase />
    </section>
  )
}
