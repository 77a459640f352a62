import { WordSearchOptions } from '@otter/core/games/wordsearch'
import { Choice, Select } from '../Choice.tsx'
import type { OptionsProps } from '../contract.ts'

/** What a teacher chooses for a word search. */
export function Options({ options, onChange }: OptionsProps<WordSearchOptions>) {
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
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Select
        label="Size"
        value={options.size}
        options={[
          ['automatic', 'Automatic'],
          ['smallest', 'Smallest'],
          ['chosen', 'Chosen'],
        ]}
        onChange={(size) => set({ size })}
      />
      {options.size === 'chosen' && (
        <div>
          <span className="quiet">Cells</span>
          <span className="flex items-center gap-1">
            {side('rows', 'Rows')}×{side('cols', 'Columns')}
          </span>
        </div>
      )}
      <Select
        label="Words run"
        value={options.directions}
        options={[
          [2, 'Along and down'],
          [4, 'Diagonally too'],
          [8, 'And backwards'],
        ]}
        onChange={(directions) => set({ directions })}
      />
      <Select
        label="Students see"
        value={options.show}
        options={[
          ['words', 'The words'],
          ['clues', 'Only the clues'],
        ]}
        onChange={(show) => set({ show })}
      />
      <Select
        label="Letters"
        value={options.letterCase}
        options={[
          ['upper', 'CAPITALS'],
          ['lower', 'small letters'],
        ]}
        onChange={(letterCase) => set({ letterCase })}
      />
      <Select
        label="Accents"
        value={options.accents}
        options={[
          ['kept', 'Kept'],
          ['folded', 'Left off'],
        ]}
        onChange={(accents) => set({ accents })}
      />
      <Choice label="Hidden message">
        {(id) => (
          <input
            id={id}
            dir="auto"
            className="input input-sm w-full"
            placeholder="none"
            maxLength={400}
            value={options.message}
            onChange={(event) => set({ message: event.target.value })}
          />
        )}
      </Choice>
    </div>
  )
}
