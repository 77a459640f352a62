import type { WorddrawOptions } from '@otter/core/games/worddraw'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import { useTexts } from '../../texts/texts.ts'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'

/** What a teacher chooses for Word draw. */
export function Options({ options, onChange }: OptionsProps<WorddrawOptions>) {
  const t = useTexts(texts)
  return (
    <OptionGrid>
      <Select
        label={t('option.repeats')}
        value={options.repeats ? 'yes' : 'no'}
        options={(['no', 'yes'] as const).map((choice) => [choice, t(`option.again.${choice}`)])}
        onChange={(choice) => onChange({ ...options, repeats: choice === 'yes' })}
      />
      <Select
        label={t('option.weights')}
        value={options.weights}
        options={(['equal', 'missed'] as const).map((weights) => [weights, t(`option.sooner.${weights}`)])}
        onChange={(weights) => onChange({ ...options, weights })}
      />
    </OptionGrid>
  )
}
