import type { Asking } from '@otter/core'
import { OptionGrid } from '../ui/OptionGrid.tsx'
import { Choice, Select } from '../ui/Choice.tsx'
import { listTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'

interface AskingOptionsProps {
  options: Asking
  /** The groups of the list. */
  groups: readonly string[]
  onChange: (change: Partial<Asking>) => void
}

/** What a teacher chooses for every game: which side is asked, of which entries, and for whom. */
export function AskingOptions({ options, groups, onChange }: AskingOptionsProps) {
  const t = useTexts(listTexts)
  const takes: [Asking['take'], string][] = [
    ['all', t('asking.all')],
    ...(groups.length > 0 ? [['group', t('asking.oneGroup')] as [Asking['take'], string]] : []),
    ['first', t('asking.first')],
    ['range', t('asking.range')],
  ]
  return (
    <OptionGrid>
      <Select
        label={t('asking.give')}
        value={options.ask}
        options={[
          ['answer', t('asking.answer')],
          ['prompt', t('asking.prompt')],
        ]}
        onChange={(ask) => onChange({ ask })}
      />
      <Select
        label={t('asking.ofList')}
        value={options.take}
        options={takes}
        onChange={(take) =>
          onChange({ take, ...(take === 'group' && !groups.includes(options.group) ? { group: groups[0] } : {}) })
        }
      />
      {options.take === 'group' && (
        <Select
          label={t('asking.group')}
          value={options.group}
          options={groups.map((group) => [group, group])}
          onChange={(group) => onChange({ group })}
        />
      )}
      {options.take === 'first' && (
        <Rows label={t('asking.howMany')} value={options.first} onChange={(first) => onChange({ first })} />
      )}
      {options.take === 'range' && (
        <>
          <Rows label={t('asking.from')} value={options.from} onChange={(from) => onChange({ from })} />
          <Rows label={t('asking.to')} value={options.to} onChange={(to) => onChange({ to })} />
        </>
      )}
      <label className="flex items-center gap-2 self-end pb-1">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={options.early}
          onChange={(event) => onChange({ early: event.target.checked })}
        />
        {t('asking.early')}
      </label>
    </OptionGrid>
  )
}

/** A number of rows, or of one of them. */
function Rows({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <Choice label={label}>
      {(id) => (
        <input
          id={id}
          type="number"
          min={1}
          max={500}
          className="input input-sm w-full"
          value={value}
          onChange={(event) =>
            Number.isInteger(event.target.valueAsNumber) &&
            event.target.valueAsNumber > 0 &&
            onChange(Math.min(500, event.target.valueAsNumber))
          }
        />
      )}
    </Choice>
  )
}
