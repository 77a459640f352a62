import type { QuizOptions } from '@otter/core/games/quiz'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import type { OptionsProps } from '../contract.ts'
import { Choice, Select } from '../../ui/Choice.tsx'
import { TypedOptions } from './TypedOptions.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

const TIMES = [0, 5, 10, 15, 20, 30, 45, 60, 90, 120]

/** What a teacher chooses for a quiz. */
export function Options({ options, language, onChange }: OptionsProps<QuizOptions>) {
  const t = useTexts(texts)
  const set = (change: Partial<QuizOptions>): void => onChange({ ...options, ...change })
  const times = TIMES.includes(options.seconds) ? TIMES : [...TIMES, options.seconds]
  return (
    <div className="flex flex-col gap-2 text-sm">
      <OptionGrid>
        <Select
          label={t('option.form')}
          value={options.form}
          options={[
            ['choice', t('option.choice')],
            ['typed', t('option.typed')],
            ['true-false', t('option.true-false')],
            ['mixed', t('option.mixed')],
          ]}
          onChange={(form) => set({ form })}
        />
        <Select
          label={t('option.choices')}
          value={options.choices}
          options={[2, 3, 4, 5, 6].map((count) => [count, String(count)])}
          onChange={(choices) => set({ choices })}
        />
        <Select
          label={t('option.order')}
          value={options.order}
          options={[
            ['random', t('option.random')],
            ['groups', t('option.groups')],
            ['list', t('option.list')],
          ]}
          onChange={(order) => set({ order })}
        />
        <Select
          label={t('option.time')}
          value={options.seconds}
          options={times.map((seconds) => [
            seconds,
            seconds === 0 ? t('option.noLimit') : t('option.seconds', { count: seconds }),
          ])}
          onChange={(seconds) => set({ seconds })}
        />
        <Select
          label={t('option.speed')}
          value={options.speed}
          options={[
            ['off', t('option.speedOff')],
            ['gentle', t('option.speedGentle')],
            ['strong', t('option.speedStrong')],
          ]}
          onChange={(speed) => set({ speed })}
        />
        {(options.form === 'typed' || options.form === 'mixed') && (
          <TypedOptions options={options} language={language} set={set} />
        )}
        <Choice label={t('option.pass')}>
          {(id) => (
            <input
              id={id}
              type="number"
              min={0}
              max={100}
              className="input input-sm w-full"
              value={options.pass === 0 ? '' : options.pass}
              placeholder={t('option.noMark')}
              onChange={(event) =>
                set({ pass: Math.max(0, Math.min(100, Math.round(event.target.valueAsNumber) || 0)) })
              }
            />
          )}
        </Choice>
      </OptionGrid>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={options.second}
            onChange={(event) => set({ second: event.target.checked })}
          />
          {t('option.second')}
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={options.cards}
            onChange={(event) => set({ cards: event.target.checked })}
          />
          {t('option.cards')}
        </label>
      </div>
    </div>
  )
}
