import { MOST_TEAMS } from '@otter/core'
import { FEWEST_PAIRS, MOST_PAIRS, type PairsOptions } from '@otter/core/games/pairs'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { numbers } from '../../ui/numbers.ts'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../../ui/Choice.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for Pairs. */
export function Options({ options, onChange }: OptionsProps<PairsOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<PairsOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.faces')}
        value={options.faces}
        options={[
          ['both-sides', t('option.both-sides')],
          ['same', t('option.same')],
          ['picture-word', t('option.picture-word')],
        ]}
        onChange={(faces) => set({ faces })}
      />
      <Select
        label={t('option.pairs')}
        value={options.pairs}
        options={numbers(FEWEST_PAIRS, MOST_PAIRS)}
        onChange={(pairs) => set({ pairs })}
      />
      <Select
        label={t('option.players')}
        value={options.players}
        options={numbers(1, MOST_TEAMS)}
        onChange={(players) => set({ players })}
      />
    </OptionGrid>
  )
}
