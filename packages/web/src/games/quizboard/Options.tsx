import { FEWEST_TILES, MOST_COLUMNS, MOST_TILES, type QuizboardOptions } from '@otter/core/games/quizboard'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import { useTexts } from '../../texts/texts.ts'
import { SecondsSelect, TeamsSelect } from '../../wall/TeamOptions.tsx'
import type { OptionsProps } from '../contract.ts'
import { numbers } from '../../ui/numbers.ts'
import { texts } from './texts.ts'

/** What a teacher chooses for a quiz board. */
export function Options({ options, onChange }: OptionsProps<QuizboardOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<QuizboardOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.columns')}
        value={options.columns}
        options={numbers(1, MOST_COLUMNS)}
        onChange={(columns) => set({ columns })}
      />
      <Select
        label={t('option.tiles')}
        value={options.tiles}
        options={numbers(FEWEST_TILES, MOST_TILES)}
        onChange={(tiles) => set({ tiles })}
      />
      <Select
        label={t('option.depth')}
        value={options.depth}
        options={(['proved', 'worth'] as const).map((depth) => [depth, t(`option.${depth}`)])}
        onChange={(depth) => set({ depth })}
      />
      <Select
        label={t('option.thin')}
        value={options.fill ? 'fill' : 'leave'}
        options={(['leave', 'fill'] as const).map((choice) => [choice, t(`option.${choice}`)])}
        onChange={(choice) => set({ fill: choice === 'fill' })}
      />
      <Select
        label={t('option.wrong')}
        value={options.wrong}
        options={(['nothing', 'points'] as const).map((wrong) => [wrong, t(`option.${wrong}`)])}
        onChange={(wrong) => set({ wrong })}
      />
      <Select
        label={t('option.dive')}
        value={options.dive ? 'yes' : 'no'}
        options={(['yes', 'no'] as const).map((choice) => [choice, t(`option.${choice}`)])}
        onChange={(choice) => set({ dive: choice === 'yes' })}
      />
      <Select
        label={t('option.form')}
        value={options.form}
        options={(['choice', 'typed', 'mixed'] as const).map((form) => [form, t(`option.${form}`)])}
        onChange={(form) => set({ form })}
      />
      <SecondsSelect value={options.seconds} onChange={(seconds) => set({ seconds })} />
      <TeamsSelect value={options.teams} onChange={(teams) => set({ teams })} />
    </OptionGrid>
  )
}
