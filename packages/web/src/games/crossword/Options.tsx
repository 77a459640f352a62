import type { CrosswordOptions } from '@otter/core/games/crossword'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Select } from '../../ui/Choice.tsx'
import type { OptionsProps } from '../contract.ts'
import { AccentsSelect, LetterCaseSelect } from '../LetterOptions.tsx'
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
      <LetterCaseSelect value={options.letterCase} onChange={(letterCase) => set({ letterCase })} />
      <AccentsSelect value={options.accents} onChange={(accents) => set({ accents })} />
    </OptionGrid>
  )
}
