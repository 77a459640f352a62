import type { ReportScope } from '@otter/api'
import type { GradeScale } from '@otter/core/results'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { addressOf } from '../../api/reports.ts'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'

const SCALES = {
  percent: { type: 'percent' },
  points: { type: 'points' },
  '0-10': { type: 'range', from: 0, to: 10, step: 0.5 },
  '0-20': { type: 'range', from: 0, to: 20, step: 0.5 },
  '1-6': { type: 'range', from: 6, to: 1, step: 0.5 },
  '6-1': { type: 'range', from: 1, to: 6, step: 0.5 },
  letters: {
    type: 'names',
    marks: [
      { name: 'A', from: 0.9 },
      { name: 'B', from: 0.8 },
      { name: 'C', from: 0.7 },
      { name: 'D', from: 0.6 },
      { name: 'F', from: 0 },
    ],
  },
} as const satisfies Record<string, GradeScale>
type ScaleName = keyof typeof SCALES
const SCALE_NAMES = Object.keys(SCALES) as ScaleName[]

/** A report as files: all that was shown, as numbers. */
export function Files({ scope, isOfClass }: { scope: ReportScope; isOfClass: boolean }) {
  const t = useTexts(reportTexts)
  const { language } = useWriting()
  const [scale, setScale] = useState<ScaleName>('percent')
  const address = (what: string): string =>
    `/api/reports/file?${addressOf(scope, { what, language, scale: JSON.stringify(SCALES[scale]) })}`
  const files = [
    ...(['workbook', 'gradebook', 'students', 'entries', 'responses'] as const),
    ...(isOfClass ? (['oneroster'] as const) : []),
  ]
  return (
    <details className="dropdown print:hidden">
      <summary className="btn h-11">
        <Download size={16} aria-hidden="true" />
        {t('files.title')}
      </summary>
      <div className="dropdown-content panel z-20 flex w-80 flex-col gap-1 p-3">
        <Select
          label={t('files.scale')}
          value={scale}
          options={SCALE_NAMES.map((name) => [name, t(`files.${name}`)] as const)}
          onChange={setScale}
        />
        <ul className="flex flex-col">
          {files.map((what) => (
            <li key={what}>
              <a className="link flex min-h-11 items-center" href={address(what)} download>
                {t(`files.${what}`)}
              </a>
            </li>
          ))}
          <li>
            <button type="button" className="link min-h-11" onClick={() => window.print()}>
              {t('files.print')}
            </button>
          </li>
        </ul>
      </div>
    </details>
  )
}
