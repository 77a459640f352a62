import type { LiveEnd } from '@otter/core'
import { liveTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Choice, Select } from '../ui/Choice.tsx'

const MINUTES = [1, 2, 3, 5, 10, 15, 20, 30, 45]
/** Points that are offered where a session is to end at some. */
const POINTS = 100
const MOST_POINTS = 1_000_000

interface EndChoiceProps {
  label: string
  end: LiveEnd
  onChange: (end: LiveEnd) => void
}

/** When a session ends by itself: after so many minutes, at so many points, once all are done, or not. */
export function EndChoice({ label, end, onChange }: EndChoiceProps) {
  const t = useTexts(liveTexts)
  const minutes = [...new Set([...MINUTES, ...(end.minutes === null ? [] : [end.minutes])])]
  const options = [
    ['host', t('setup.endHost')],
    ...minutes.map((count) => [`${count}`, t('setup.endMinutes', { count })] as const),
    ['all-done', t('setup.endDone')],
    ['points', t('setup.endPoints')],
  ] as const
  const { points } = end
  const value = end.minutes !== null ? `${end.minutes}` : end.allDone ? 'all-done' : points !== null ? 'points' : 'host'
  const choose = (chosen: string): void =>
    onChange({
      minutes: /^\d/u.test(chosen) ? Number(chosen) : null,
      points: chosen === 'points' ? POINTS : null,
      allDone: chosen === 'all-done',
    })
  const choosePoints = ({ value: typed }: HTMLInputElement): void => {
    const count = Math.min(MOST_POINTS, Math.max(1, Math.round(Number(typed)) || 1))
    if (count !== points) onChange({ minutes: null, points: count, allDone: false })
  }
  return (
    <>
      <Select label={label} value={value} options={options} onChange={choose} />
      {points !== null && (
        <Choice label={t('setup.pointsField')}>
          {(id) => (
            <input
              id={id}
              key={points}
              type="number"
              min={1}
              max={MOST_POINTS}
              className="input input-sm w-full"
              defaultValue={points}
              onBlur={(event) => choosePoints(event.currentTarget)}
              onKeyDown={(event) => event.key === 'Enter' && choosePoints(event.currentTarget)}
            />
          )}
        </Choice>
      )}
    </>
  )
}
