import { BingoOptions, MOST_CARDS } from '@otter/core/games/bingo'
import { Choice, Select } from '../Choice.tsx'
import type { OptionsProps } from '../contract.ts'

/** What a teacher chooses for bingo, and how the game is to go. */
export function Options({ options, onChange }: OptionsProps<BingoOptions>) {
  const set = (change: Partial<BingoOptions>): void => {
    const next = BingoOptions.safeParse({ ...options, ...change })
    if (next.success) onChange(next.data)
  }
  const number = (value: number | null, label: string, most: number, write: (value: number | null) => void) => (
    <input
      type="number"
      min={1}
      max={most}
      aria-label={label}
      placeholder="any"
      className="input input-sm w-20"
      value={value ?? ''}
      onChange={(event) => write(event.target.value === '' ? null : event.target.valueAsNumber)}
    />
  )
  const [from, to] = options.firstWin ?? [null, null]
  return (
    <div className="flex flex-col gap-2 text-sm">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 xl:grid-cols-3">
        <Select
          label="Squares"
          value={options.size}
          options={[
            [3, '3×3'],
            [4, '4×4'],
            [5, '5×5'],
          ]}
          onChange={(size) => set({ size })}
        />
        <Select
          label="Bingo is"
          value={options.pattern}
          options={[
            ['line', 'One line'],
            ['two-lines', 'Two lines'],
            ['corners', 'Four corners'],
            ['full', 'The full card'],
          ]}
          onChange={(pattern) => set({ pattern })}
        />
        <Choice label="Cards">
          {(id) => (
            <input
              id={id}
              type="number"
              min={1}
              max={MOST_CARDS}
              className="input input-sm w-full"
              value={options.cards}
              onChange={(event) => set({ cards: event.target.valueAsNumber })}
            />
          )}
        </Choice>
        <Select
          label="Who calls on screen"
          value={options.calling}
          options={[
            ['device', 'Each device'],
            ['teacher', 'You, in the room'],
          ]}
          onChange={(calling) => set({ calling })}
        />
        <Select
          label="Squares are marked"
          value={options.marking}
          options={[
            ['own', 'By the student'],
            ['helped', 'For the youngest'],
          ]}
          onChange={(marking) => set({ marking })}
        />
        <Select
          label="Cards to a page"
          value={options.perPage}
          options={[
            [1, '1'],
            [2, '2'],
            [4, '4'],
          ]}
          onChange={(perPage) => set({ perPage })}
        />
        {options.size !== 4 && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={options.free}
              onChange={(event) => set({ free: event.target.checked })}
            />
            Free middle
          </label>
        )}
      </div>
      <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <legend className="quiet">How the game is to go</legend>
        <span className="flex items-center gap-2">
          First bingo from call{' '}
          {number(from, 'First bingo from call', 5000, (value) =>
            set({ firstWin: value === null ? null : [value, Math.max(value, to ?? value + 3)] }),
          )}{' '}
          to{' '}
          {number(to, 'to call', 5000, (value) =>
            set({ firstWin: value === null ? null : [Math.min(from ?? value, value), value] }),
          )}
        </span>
        <span className="flex items-center gap-2">
          Winners then{' '}
          {number(options.winners, 'Winners of the first bingo', MOST_CARDS, (winners) => set({ winners }))}
        </span>
        <span className="flex items-center gap-2">
          Five have won by call {number(options.fiveBy, 'Five have won by call', 5000, (fiveBy) => set({ fiveBy }))}
        </span>
      </fieldset>
    </div>
  )
}
