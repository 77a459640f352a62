import type { HangmanOptions } from '@otter/core/games/hangman'
import { MOST_TEAMS, SCENE_MISSES } from '@otter/core/games/hangman'
import { Select } from '../Choice.tsx'
import type { OptionsProps } from '../contract.ts'

/** What a teacher chooses for hangman. */
export function Options({ options, onChange }: OptionsProps<HangmanOptions>) {
  const set = (change: Partial<HangmanOptions>): void => onChange({ ...options, ...change })
  const counts = Array.from({ length: 10 }, (_, index) => index + 3)
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Select
        label="Scene"
        value={options.scene}
        options={[
          ['kelp', 'Kelp'],
          ['lanterns', 'Lanterns'],
          ['boat', 'Paper boat'],
        ]}
        onChange={(scene) => set({ scene })}
      />
      <Select
        label="Misses"
        value={options.misses ?? 0}
        options={[
          [0, `The scene’s own: ${SCENE_MISSES[options.scene]}`],
          ...counts.map((count): [number, string] => [count, String(count)]),
        ]}
        onChange={(misses) => set({ misses: misses || null })}
      />
      <Select
        label="The prompt is"
        value={options.clue}
        options={[
          ['shown', 'Shown'],
          ['hint', 'The hint'],
        ]}
        onChange={(clue) => set({ clue })}
      />
      <Select
        label="Accents"
        value={options.accents}
        options={[
          ['folded', 'é counts as e'],
          ['kept', 'é counts apart'],
        ]}
        onChange={(accents) => set({ accents })}
      />
      <Select
        label="Free letters"
        value={options.freeLetters}
        options={[
          [0, 'None'],
          [1, 'The first'],
          [2, 'The first two'],
        ]}
        onChange={(freeLetters) => set({ freeLetters })}
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
      <Select
        label="Who plays"
        value={options.teams}
        options={[
          [1, 'One, or a class'],
          ...Array.from({ length: MOST_TEAMS - 1 }, (_, index): [number, string] => [
            index + 2,
            `${index + 2} teams in turn`,
          ]),
        ]}
        onChange={(teams) => set({ teams })}
      />
    </div>
  )
}
