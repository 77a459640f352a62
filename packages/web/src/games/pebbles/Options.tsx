import { FEWEST_PEBBLES, MOST_PEBBLES, TWIST_LEVELS, type PebblesOptions } from '@otter/core/games/pebbles'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import { numbers } from '../../ui/numbers.ts'
import { useTexts } from '../../texts/texts.ts'
import { SecondsSelect, TeamsSelect } from '../../wall/TeamOptions.tsx'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'

/** What a teacher chooses for Pebbles. */
export function Options({ options, onChange }: OptionsProps<PebblesOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<PebblesOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.pebbles')}
        value={options.pebbles}
        options={numbers(FEWEST_PEBBLES, MOST_PEBBLES)}
        onChange={(pebbles) => set({ pebbles })}
      />
      <Select
        label={t('option.answers')}
        value={options.answers}
        options={(['team', 'next', 'all'] as const).map((who) => [who, t(`option.who.${who}`)])}
        onChange={(answers) => set({ answers })}
      />
      <Select
        label={t('option.wrong')}
        value={options.wrong}
        options={(['nothing', 'points', 'everything'] as const).map((cost) => [cost, t(`option.cost.${cost}`)])}
        onChange={(wrong) => set({ wrong })}
      />
      <Select
        label={t('option.values')}
        value={options.values}
        options={(['equal', 'list', 'hidden'] as const).map((values) => [values, t(`option.worth.${values}`)])}
        onChange={(values) => set({ values })}
      />
      <Select
        label={t('option.twists')}
        value={options.twists}
        options={TWIST_LEVELS.map((level) => [level, t(`level.${level}`)])}
        onChange={(twists) => set({ twists })}
      />
      <SecondsSelect value={options.seconds} onChange={(seconds) => set({ seconds })} />
      <TeamsSelect value={options.teams} onChange={(teams) => set({ teams })} />
    </OptionGrid>
  )
}
