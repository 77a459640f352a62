import type { ReportScope } from '@otter/api'
import { reportTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** Which days a report is of; the own ones as a date field has them. */
export interface Span {
  days: 'all' | '7' | '30' | '90' | 'own'
  from: string
  to: string
}

const DAY = 86_400_000

/** Returns the moments of a span: whole days, as the browser's time zone has them. */
export function spanOf({ days, from, to }: Span, today = new Date()): Pick<ReportScope, 'from' | 'to'> {
  const start = (day: string, later = 0): string | undefined => {
    const [year, month, date] = day.split('-').map(Number)
    return day === '' ? undefined : new Date(year!, month! - 1, date! + later).toISOString()
  }
  if (days === 'all') return {}
  if (days === 'own') {
    const [first, end] = [start(from), start(to, 1)]
    return { ...(first !== undefined && { from: first }), ...(end !== undefined && { to: end }) }
  }
  const midnight = new Date(today.getFullYear(), today.getMonth(), today.getDate()).getTime()
  return { from: new Date(midnight - Number(days) * DAY).toISOString() }
}

/** The choice of a span. */
export function SpanChoice({ span, onChange }: { span: Span; onChange: (span: Span) => void }) {
  const t = useTexts(reportTexts)
  return (
    <div className="flex flex-wrap items-end gap-2 print:hidden">
      <label className="flex flex-col">
        <span className="quiet text-sm">{t('span.label')}</span>
        <select
          className="select h-11 w-auto"
          value={span.days}
          onChange={(event) => onChange({ ...span, days: event.target.value as Span['days'] })}
        >
          {(['all', '7', '30', '90', 'own'] as const).map((days) => (
            <option key={days} value={days}>
              {t(`span.${days}`)}
            </option>
          ))}
        </select>
      </label>
      {span.days === 'own' &&
        (['from', 'to'] as const).map((side) => (
          <label key={side} className="flex flex-col">
            <span className="quiet text-sm">{t(`span.${side}`)}</span>
            <input
              type="date"
              className="input h-11 w-auto"
              value={span[side]}
              max={side === 'from' && span.to !== '' ? span.to : undefined}
              min={side === 'to' && span.from !== '' ? span.from : undefined}
              onChange={(event) => onChange({ ...span, [side]: event.target.value })}
            />
          </label>
        ))}
    </div>
  )
}
