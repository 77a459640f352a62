import type { CrosswordOptions } from '@otter/core/games/crossword'
import { Select } from '../Choice.tsx'
import type { OptionsProps } from '../contract.ts'

/** What a teacher chooses for a crossword. */
export function Options({ options, onChange }: OptionsProps<CrosswordOptions>) {
  const set = (change: Partial<CrosswordOptions>): void => onChange({ ...options, ...change })
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Select
        label="Aim"
        value={options.aim}
        options={[
          ['compact', 'Small box'],
          ['helpful', 'Many crossings'],
        ]}
        onChange={(aim) => set({ aim })}
      />
      <Select
        label="Shape"
        value={options.shape}
        options={[
          ['any', 'Any'],
          ['square', 'Square'],
          ['page', 'Page'],
        ]}
        onChange={(shape) => set({ shape })}
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
          ['folded', 'Left off'],
          ['kept', 'Kept'],
        ]}
        onChange={(accents) => set({ accents })}
      />
    </div>
  )
}
