import type { FlashcardsOptions } from '@otter/core/games/flashcards'
import type { OptionsProps } from '../contract.ts'
import { Select } from '../Choice.tsx'

/** What a teacher chooses for flashcards. */
export function Options({ options, onChange }: OptionsProps<FlashcardsOptions>) {
  const set = (change: Partial<FlashcardsOptions>): void => onChange({ ...options, ...change })
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Select
        label="Order"
        value={options.order}
        options={[
          ['list', 'As in the list'],
          ['random', 'Mixed'],
        ]}
        onChange={(order) => set({ order })}
      />
      <Select
        label="On paper, cards a page"
        value={options.perPage}
        options={[
          [4, '4'],
          [8, '8'],
          [16, '16'],
        ]}
        onChange={(perPage) => set({ perPage })}
      />
      <Select
        label="Backs"
        value={options.backs}
        options={[
          ['duplex', 'On the other side'],
          ['fold', 'Beside, to fold'],
        ]}
        onChange={(backs) => set({ backs })}
      />
    </div>
  )
}
