import type { CrosswordOptions } from '@otter/core/games/crossword'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for a crossword. */
export function Options({ options, onChange }: OptionsProps<CrosswordOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<CrosswordOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.aim')}
        value={options.aim}
        options={[
          ['compact', t('option.compact')],
          ['helpful', t('option.helpful')],
        ]}
        onChange={(aim) => set({ aim })}
      />
      <Select
        label={t('option.shape')}
        value={options.shape}
        options={[
          ['any', t('option.any')],
          ['square', t('option.square')],
          ['page', t('option.page')],
        ]}
        onChange={(shape) => set({ shape })}
      />
      <Select
        label={t('option.letterCase')}
        value={options.letterCase}
        options={[
          ['upper', t('option.upper')],
          ['lower', t('option.lower')],
        ]}
        onChange={(letterCase) => set({ letterCase })}
      />
      <Select
        label={t('option.accents')}
        value={options.accents}
        options={[
          ['folded', t('option.folded')],
          ['kept', t('option.kept')],
        ]}
        onChange={(accents) => set({ accents })}
      />
    </OptionGrid>
  )
}
