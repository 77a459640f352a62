import { useId, type ReactNode } from 'react'

/** A labelled choice among a game's options. */
export function Choice({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="quiet">
        {label}
      </label>
      {children(id)}
    </div>
  )
}

/** A labelled choice of one of several values. */
export function Select<Value extends string | number>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: Value
  options: readonly (readonly [Value, string])[]
  onChange: (value: Value) => void
}) {
  return (
    <Choice label={label}>
      {(id) => (
        <select
          id={id}
          className="select select-sm w-full"
          value={value}
          onChange={(event) => onChange(options[event.target.selectedIndex]![0])}
        >
          {options.map(([option, name]) => (
            <option key={option} value={option}>
              {name}
            </option>
          ))}
        </select>
      )}
    </Choice>
  )
}
