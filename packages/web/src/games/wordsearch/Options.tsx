import { WordSearchOptions } from '@otter/core'
import { useId, type ReactNode } from 'react'

interface OptionsProps {
  options: WordSearchOptions
  onChange: (options: WordSearchOptions) => void
}

/** What a teacher chooses for a word search. */
export function Options({ options, onChange }: OptionsProps) {
  const set = (change: Partial<WordSearchOptions>): void => onChange({ ...options, ...change })
  const side = (name: 'rows' | 'cols', label: string) => (
    <input
      type="number" min={4} max={30} aria-label={label} className="input input-sm w-16" value={options[name]}
      onChange={(event) => {
        const value = WordSearchOptions.safeParse({ ...options, [name]: event.target.valueAsNumber })
        if (value.success) onChange(value.data)
      }}
    />
  )
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">
      <Choice label="Size">
        {(id) => (
          <span className="flex items-center gap-1">
            <select id={id} className="select select-sm w-full" value={options.size} onChange={(event) => set({ size: event.target.value as WordSearchOptions['size'] })}>
              <option value="automatic">Automatic</option>
              <option value="smallest">Smallest</option>
              <option value="chosen">Chosen</option>
            </select>
            {options.size === 'chosen' && <>{side('rows', 'Rows')}×{side('cols', 'Columns')}</>}
          </span>
        )}
      </Choice>
      <Choice label="Words run">
        {(id) => (
          <select id={id} className="select select-sm w-full" value={options.directions} onChange={(event) => set({ directions: Number(event.target.value) as WordSearchOptions['directions'] })}>
            <option value={2}>Along and down</option>
            <option value={4}>Diagonally too</option>
            <option value={8}>And backwards</option>
          </select>
        )}
      </Choice>
      <Choice label="Students see">
        {(id) => (
          <select id={id} className="select select-sm w-full" value={options.show} onChange={(event) => set({ show: event.target.value as WordSearchOptions['show'] })}>
            <option value="words">The words</option>
            <option value="clues">Only the clues</option>
          </select>
        )}
      </Choice>
      <Choice label="Letters">
        {(id) => (
          <select id={id} className="select select-sm w-full" value={options.letterCase} onChange={(event) => set({ letterCase: event.target.value as WordSearchOptions['letterCase'] })}>
            <option value="upper">CAPITALS</option>
            <option value="lower">small letters</option>
          </select>
        )}
      </Choice>
      <Choice label="Accents">
        {(id) => (
          <select id={id} className="select select-sm w-full" value={options.accents} onChange={(event) => set({ accents: event.target.value as WordSearchOptions['accents'] })}>
            <option value="kept">Kept</option>
            <option value="folded">Left off</option>
          </select>
        )}
      </Choice>
      <Choice label="Hidden message">
        {(id) => <input id={id} dir="auto" className="input input-sm w-full" placeholder="none" maxLength={400} value={options.message} onChange={(event) => set({ message: event.target.value })} />}
      </Choice>
    </div>
  )
}

function Choice({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return <div><label htmlFor={id} className="quiet">{label}</label>{children(id)}</div>
}
