import type { MatchingOptions } from '@otter/core/games/matching'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../../ui/Choice.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for matching. */
export function Options({ options, onChange }: OptionsProps<MatchingOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<MatchingOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.rows')}
        value={options.rows}
        options={[3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((rows) => [rows, String(rows)])}
        onChange={(rows) => set({ rows })}
      />
      <Select
        label={t('option.check')}
        value={options.check}
        options={[
          ['at-once', t('option.at-once')],
          ['at-end', t('option.at-end')],
        ]}
        onChange={(check) => set({ check })}
      />
    </OptionGrid>
  )
}
