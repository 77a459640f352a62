import type { HangmanOptions } from '@otter/core/games/hangman'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { MOST_TEAMS } from '@otter/core'
import { SCENE_MISSES } from '@otter/core/games/hangman'
import { Select } from '../../ui/Choice.tsx'
import type { OptionsProps } from '../contract.ts'
import { AccentsSelect, OrderSelect } from '../LetterOptions.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for hangman. */
export function Options({ options, onChange }: OptionsProps<HangmanOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<HangmanOptions>): void => onChange({ ...options, ...change })
  const counts = Array.from({ length: 10 }, (_, index) => index + 3)
  return (
    <OptionGrid>
      <Select
        label={t('option.scene')}
        value={options.scene}
        options={[
          ['kelp', t('option.kelp')],
          ['lanterns', t('option.lanterns')],
          ['boat', t('option.boat')],
        ]}
        onChange={(scene) => set({ scene })}
      />
      <Select
        label={t('option.misses')}
        value={options.misses ?? 0}
        options={[
          [0, t('option.sceneOwn', { misses: SCENE_MISSES[options.scene] })],
          ...counts.map((count): [number, string] => [count, String(count)]),
        ]}
        onChange={(misses) => set({ misses: misses || null })}
      />
      <Select
        label={t('option.clue')}
        value={options.clue}
        options={[
          ['shown', t('option.shown')],
          ['hint', t('option.hint')],
        ]}
        onChange={(clue) => set({ clue })}
      />
      <AccentsSelect value={options.accents} onChange={(accents) => set({ accents })} />
      <Select
        label={t('option.freeLetters')}
        value={options.freeLetters}
        options={[
          [0, t('option.none')],
          [1, t('option.one')],
          [2, t('option.two')],
        ]}
        onChange={(freeLetters) => set({ freeLetters })}
      />
      <OrderSelect value={options.order} onChange={(order) => set({ order })} />
      <Select
        label={t('option.who')}
        value={options.teams}
        options={[
          [1, t('option.alone')],
          ...Array.from({ length: MOST_TEAMS - 1 }, (_, index): [number, string] => [
            index + 2,
            t('option.teams', { count: index + 2 }),
          ]),
        ]}
        onChange={(teams) => set({ teams })}
      />
    </OptionGrid>
  )
}
