import { FEWEST_LINKS, MOST_LINKS, type ThreadOptions } from '@otter/core/games/thread'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import { numbers } from '../../ui/numbers.ts'
import { useTexts } from '../../texts/texts.ts'
import { TeamsSelect } from '../../wall/TeamOptions.tsx'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'

/** What a teacher chooses for Common thread. */
export function Options({ options, onChange }: OptionsProps<ThreadOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<ThreadOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.links')}
        value={options.links}
        options={numbers(FEWEST_LINKS, MOST_LINKS)}
        onChange={(links) => set({ links })}
      />
      <Select
        label={t('option.each')}
        value={options.each}
        options={numbers(FEWEST_LINKS, MOST_LINKS)}
        onChange={(each) => set({ each })}
      />
      <Select
        label={t('option.hard')}
        value={options.hard}
        options={(['easier', 'as-drawn', 'harder'] as const).map((hard) => [hard, t(`option.${hard}`)])}
        onChange={(hard) => set({ hard })}
      />
      <Select
        label={t('option.say')}
        value={options.say}
        options={(['typed', 'choices', 'off'] as const).map((say) => [say, t(`option.${say}`)])}
        onChange={(say) => set({ say })}
      />
      <TeamsSelect value={options.teams} onChange={(teams) => set({ teams })} />
    </OptionGrid>
  )
}
