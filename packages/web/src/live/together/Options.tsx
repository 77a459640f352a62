import type { TogetherOptions } from '@otter/core/live/together'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { InStepOptions } from '../InStepOptions.tsx'
import type { WayOptionsProps } from '../contract.ts'

const AFTER = [5, 8, 10, 15, 20]

/** What is chosen for playing together. */
export function Options({ options, onChange }: WayOptionsProps<TogetherOptions>) {
  const t = useTexts(liveTexts)
  return (
    <>
      <InStepOptions options={options} onChange={(change) => onChange({ ...options, ...change })} />
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
