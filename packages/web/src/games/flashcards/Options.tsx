import type { FlashcardsOptions } from '@otter/core/games/flashcards'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../../ui/Choice.tsx'
import { OrderSelect } from '../LetterOptions.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for flashcards. */
export function Options({ options, onChange }: OptionsProps<FlashcardsOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<FlashcardsOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <OrderSelect value={options.order} onChange={(order) => set({ order })} />
      <Select
        label={t('option.perPage')}
        value={options.perPage}
        options={[
          [4, '4'],
          [8, '8'],
          [16, '16'],
        ]}
        onChange={(perPage) => set({ perPage })}
      />
      <Select
        label={t('option.backs')}
        value={options.backs}
        options={[
          ['duplex', t('option.duplex')],
          ['fold', t('option.fold')],
        ]}
        onChange={(backs) => set({ backs })}
      />
    </OptionGrid>
  )
}
