import {
  FEWEST_GROUPS,
  FEWEST_ITEMS,
  MOST_ITEMS,
  MOST_SORTED_GROUPS,
  type SortingOptions,
} from '@otter/core/games/sorting'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import { numbers } from '../../ui/numbers.ts'
import { useTexts } from '../../texts/texts.ts'
import { TeamsSelect } from '../../wall/TeamOptions.tsx'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'

/** What a teacher chooses for Sorting. */
export function Options({ options, onChange }: OptionsProps<SortingOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<SortingOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.groups')}
        value={options.groups}
        options={numbers(FEWEST_GROUPS, MOST_SORTED_GROUPS)}
        onChange={(groups) => set({ groups })}
      />
      <Select
        label={t('option.items')}
        value={options.items}
        options={numbers(FEWEST_ITEMS, MOST_ITEMS)}
        onChange={(items) => set({ items })}
      />
      <Select
        label={t('option.shows')}
        value={options.shows}
        options={(['answer', 'prompt', 'both'] as const).map((shows) => [shows, t(`option.${shows}`)])}
        onChange={(shows) => set({ shows })}
      />
      <Select
        label={t('option.check')}
        value={options.check}
        options={(['at-once', 'at-end'] as const).map((check) => [check, t(`option.${check}`)])}
        onChange={(check) => set({ check })}
      />
      <TeamsSelect value={options.teams} onChange={(teams) => set({ teams })} />
    </OptionGrid>
  )
}
