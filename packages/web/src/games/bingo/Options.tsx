import { BingoOptions, MOST_CARDS } from '@otter/core/games/bingo'
import { OptionGrid } from '../../ui/OptionGrid.tsx'
import { Choice, Select } from '../../ui/Choice.tsx'
import type { OptionsProps } from '../contract.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** What a teacher chooses for bingo, and how the game is to go. */
export function Options({ options, onChange }: OptionsProps<BingoOptions>) {
  const t = useTexts(texts)
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
      placeholder={t('option.any')}
      className="input input-sm w-20"
      value={value ?? ''}
      onChange={(event) => write(event.target.value === '' ? null : event.target.valueAsNumber)}
    />
  )
  const [from, to] = options.firstWin ?? [null, null]
  return (
    <div className="flex flex-col gap-2 text-sm">
      <OptionGrid>
        <Select
          label={t('option.size')}
          value={options.size}
          options={[
            ['automatic', t('option.automatic')],
            [3, '3×3'],
            [4, '4×4'],
            [5, '5×5'],
          ]}
          onChange={(size) => set({ size })}
        />
        <Select
          label={t('option.pattern')}
          value={options.pattern}
          options={[
            ['line', t('option.line')],
            ['two-lines', t('option.two-lines')],
            ['corners', t('option.corners')],
            ['full', t('option.full')],
          ]}
          onChange={(pattern) => set({ pattern })}
        />
        <Choice label={t('option.cards')}>
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
          label={t('option.calling')}
          value={options.calling}
          options={[
            ['device', t('option.device')],
            ['teacher', t('option.teacher')],
          ]}
          onChange={(calling) => set({ calling })}
        />
        <Select
          label={t('option.marking')}
          value={options.marking}
          options={[
            ['own', t('option.own')],
            ['helped', t('option.helped')],
          ]}
          onChange={(marking) => set({ marking })}
        />
        <Select
          label={t('option.perPage')}
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
            {t('option.free')}
          </label>
        )}
      </OptionGrid>
      <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <legend className="quiet">{t('course.how')}</legend>
        <span className="flex items-center gap-2">
          {t('course.from')}{' '}
          {number(from, t('course.from'), 5000, (value) =>
            set({ firstWin: value === null ? null : [value, Math.max(value, to ?? value + 3)] }),
          )}{' '}
          {t('course.toShort')}{' '}
          {number(to, t('course.to'), 5000, (value) =>
            set({ firstWin: value === null ? null : [Math.min(from ?? value, value), value] }),
          )}
        </span>
        <span className="flex items-center gap-2">
          {t('course.winners')}{' '}
          {number(options.winners, t('course.winnersLong'), MOST_CARDS, (winners) => set({ winners }))}
        </span>
        <span className="flex items-center gap-2">
          {t('course.fiveBy')} {number(options.fiveBy, t('course.fiveBy'), 5000, (fiveBy) => set({ fiveBy }))}
        </span>
      </fieldset>
    </div>
  )
}
