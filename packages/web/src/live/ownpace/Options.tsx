import type { OwnPaceOptions } from '@otter/core/live/ownpace'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import type { WayOptionsProps } from '../contract.ts'

/** What is chosen for playing at one's own pace. */
export function Options({ options, onChange }: WayOptionsProps<OwnPaceOptions>) {
  const t = useTexts(liveTexts)
  return (
    <>
      <Select
        label={t('setup.rankBy')}
        value={options.rankBy}
        options={[
          ['points', t('setup.byPoints')],
          ['share', t('setup.byShare')],
        ]}
        onChange={(rankBy) => onChange({ ...options, rankBy })}
      />
      <Select
        label={t('setup.rounds')}
        value={options.rounds ? 'on' : 'off'}
        options={[
          ['on', t('setup.roundsOn')],
          ['off', t('setup.roundsOff')],
        ]}
        onChange={(rounds) => onChange({ ...options, rounds: rounds === 'on' })}
      />
    </>
  )
}
