import type { UnscrambleOptions } from '@otter/core/games/unscramble'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../Choice.tsx'

/** What a teacher chooses for Unscramble. */
export function Options({ options, onChange }: OptionsProps<UnscrambleOptions>) {
  const set = (change: Partial<UnscrambleOptions>): void => onChange({ ...options, ...change })
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Select
        label="Phrases are mixed"
        value={options.by}
        options={[
          ['automatic', 'By words from three on'],
          ['words', 'By words'],
          ['letters', 'By letters'],
        ]}
        onChange={(by) => set({ by })}
      />
      <Select
        label="Stays in place"
        value={options.fixed}
        options={[
          ['none', 'Nothing'],
          ['first', 'The first'],
          ['last', 'The last'],
          ['both', 'The first and the last'],
        ]}
        onChange={(fixed) => set({ fixed })}
      />
      <Select
        label="Letters"
        value={options.letterCase}
        options={[
          ['lower', 'Small'],
          ['upper', 'Capitals'],
        ]}
        onChange={(letterCase) => set({ letterCase })}
      />
      <Select
        label="Order"
        value={options.order}
        options={[
          ['random', 'Mixed'],
          ['list', 'As in the list'],
        ]}
        onChange={(order) => set({ order })}
      />
    </div>
  )
}
