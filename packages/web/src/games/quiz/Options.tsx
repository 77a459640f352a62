import type { QuizOptions } from '@otter/core/games/quiz'
import type { OptionsProps } from '../contract.ts'
import { Choice, Select } from '../Choice.tsx'

const TIMES = [0, 5, 10, 15, 20, 30, 45, 60, 90, 120]

/** What a teacher chooses for a quiz. */
export function Options({ options, onChange }: OptionsProps<QuizOptions>) {
  const set = (change: Partial<QuizOptions>): void => onChange({ ...options, ...change })
  const times = TIMES.includes(options.seconds) ? TIMES : [...TIMES, options.seconds]
  return (
    <div className="flex flex-col gap-2 text-sm">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 xl:grid-cols-3">
        <Select
          label="Answered by"
          value={options.form}
          options={[
            ['choice', 'Choosing'],
            ['typed', 'Typing'],
            ['true-false', 'True or false'],
            ['mixed', 'A mixture'],
          ]}
          onChange={(form) => set({ form })}
        />
        <Select
          label="Choices, where drawn"
          value={options.choices}
          options={[2, 3, 4, 5, 6].map((count) => [count, String(count)])}
          onChange={(choices) => set({ choices })}
        />
        <Select
          label="Order"
          value={options.order}
          options={[
            ['random', 'Mixed'],
            ['groups', 'Mixed within groups'],
            ['list', 'As in the list'],
          ]}
          onChange={(order) => set({ order })}
        />
        <Select
          label="Time for a question"
          value={options.seconds}
          options={times.map((seconds) => [seconds, seconds === 0 ? 'No limit' : `${seconds} seconds`])}
          onChange={(seconds) => set({ seconds })}
        />
        <Select
          label="Points for speed"
          value={options.speed}
          options={[
            ['off', 'None'],
            ['gentle', 'A fifth'],
            ['strong', 'Half'],
          ]}
          onChange={(speed) => set({ speed })}
        />
        <Select
          label="Accents, when typed"
          value={options.accents}
          options={[
            ['folded', 'May be left out'],
            ['kept', 'Must be right'],
          ]}
          onChange={(accents) => set({ accents })}
        />
        <Choice label="Passes from (%)">
          {(id) => (
            <input
              id={id}
              type="number"
              min={0}
              max={100}
              className="input input-sm w-full"
              value={options.pass === 0 ? '' : options.pass}
              placeholder="no mark"
              onChange={(event) =>
                set({ pass: Math.max(0, Math.min(100, Math.round(event.target.valueAsNumber) || 0)) })
              }
            />
          )}
        </Choice>
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={options.second}
            onChange={(event) => set({ second: event.target.checked })}
          />
          Second try for what was missed
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={options.cards}
            onChange={(event) => set({ cards: event.target.checked })}
          />
          Look through the cards first
        </label>
      </div>
    </div>
  )
}
