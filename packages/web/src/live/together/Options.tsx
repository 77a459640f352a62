import type { TogetherOptions } from '@otter/core/live/together'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import type { WayOptionsProps } from '../contract.ts'

const SECONDS = [0, 10, 20, 30, 45, 60, 90, 120]
const AFTER = [5, 8, 10, 15, 20]

/** What is chosen for playing together. */
export function Options({ options, onChange }: WayOptionsProps<TogetherOptions>) {
  const t = useTexts(liveTexts)
  return (
    <>
      <Select
        label={t('setup.seconds')}
        value={options.seconds}
        options={SECONDS.map((count) => [count, count === 0 ? t('setup.noLimit') : t('setup.secondsOf', { count })])}
        onChange={(seconds) => onChange({ ...options, seconds })}
      />
      <Select
        label={t('setup.next')}
        value={options.next === 'key' ? 0 : options.after}
        options={[
          [0, t('setup.nextByKey')],
          ...AFTER.map((count) => [count, t('setup.nextAfter', { count })] as const),
        ]}
        onChange={(after) =>
          onChange({ ...options, ...(after === 0 ? { next: 'key' as const } : { next: 'itself' as const, after }) })
        }
      />
      <Select
        label={t('setup.change')}
        value={options.change ? 'on' : 'off'}
        options={[
          ['off', t('setup.changeOff')],
          ['on', t('setup.changeOn')],
        ]}
        onChange={(change) => onChange({ ...options, change: change === 'on' })}
      />
      <Select
        label={t('setup.between')}
        value={options.rankingBetween ? 'on' : 'off'}
        options={[
          ['off', t('setup.betweenOff')],
          ['on', t('setup.betweenOn')],
        ]}
        onChange={(between) => onChange({ ...options, rankingBetween: between === 'on' })}
      />
    </>
  )
}
