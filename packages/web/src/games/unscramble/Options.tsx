import type { UnscrambleOptions } from '@otter/core/games/unscramble'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../../ui/Choice.tsx'
import { LetterCaseSelect, OrderSelect } from '../LetterOptions.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for Unscramble. */
export function Options({ options, onChange }: OptionsProps<UnscrambleOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<UnscrambleOptions>): void => onChange({ ...options, ...change })
  return (
    <OptionGrid>
      <Select
        label={t('option.by')}
        value={options.by}
        options={[
          ['automatic', t('option.automatic')],
          ['words', t('option.words')],
          ['letters', t('option.letters')],
        ]}
        onChange={(by) => set({ by })}
      />
      <Select
        label={t('option.fixed')}
        value={options.fixed}
        options={[
          ['none', t('option.none')],
          ['first', t('option.firstPiece')],
          ['last', t('option.last')],
          ['both', t('option.both')],
        ]}
        onChange={(fixed) => set({ fixed })}
      />
      <LetterCaseSelect value={options.letterCase} onChange={(letterCase) => set({ letterCase })} />
      <OrderSelect value={options.order} onChange={(order) => set({ order })} />
    </OptionGrid>
  )
}
