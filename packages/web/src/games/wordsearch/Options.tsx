import { WordSearchOptions } from '@otter/core/games/wordsearch'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Choice, Select } from '../../ui/Choice.tsx'
import type { OptionsProps } from '../contract.ts'
import { AccentsSelect, LetterCaseSelect } from '../LetterOptions.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for a word search. */
export function Options({ options, onChange }: OptionsProps<WordSearchOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<WordSearchOptions>): void => onChange({ ...options, ...change })
  const side = (name: 'rows' | 'cols', label: string) => (
    <input
      type="number"
      min={4}
      max={30}
      aria-label={label}
      className="input input-sm w-16"
      value={options[name]}
      onChange={(event) => {
        const value = WordSearchOptions.safeParse({ ...options, [name]: event.target.valueAsNumber })
        if (value.success) onChange(value.data)
      }}
    />
  )
  return (
    <OptionGrid>
      <Select
        label={t('option.size')}
        value={options.size}
        options={[
          ['automatic', t('option.automatic')],
          ['smallest', t('option.smallest')],
          ['chosen', t('option.chosen')],
        ]}
        onChange={(size) => set({ size })}
      />
      {options.size === 'chosen' && (
        <div>
          <span className="quiet">{t('option.cells')}</span>
          <span className="flex items-center gap-1">
            {side('rows', t('option.rows'))}×{side('cols', t('option.cols'))}
          </span>
        </div>
      )}
      <Select
        label={t('option.directions')}
        value={options.directions}
        options={[
          [2, t('option.two')],
          [4, t('option.four')],
          [8, t('option.eight')],
        ]}
        onChange={(directions) => set({ directions })}
      />
      <Select
        label={t('option.show')}
        value={options.show}
        options={[
          ['words', t('option.words')],
          ['clues', t('option.clues')],
        ]}
        onChange={(show) => set({ show })}
      />
      <LetterCaseSelect value={options.letterCase} onChange={(letterCase) => set({ letterCase })} />
      <AccentsSelect value={options.accents} onChange={(accents) => set({ accents })} />
      <Choice label={t('option.message')}>
        {(id) => (
          <input
            id={id}
            dir="auto"
            className="input input-sm w-full"
            placeholder={t('option.none')}
            maxLength={400}
            value={options.message}
            onChange={(event) => set({ message: event.target.value })}
          />
        )}
      </Choice>
    </OptionGrid>
  )
}
