import { useId } from 'react'

interface LabelsFieldProps {
  label: string
  labels: readonly string[]
  most: number
  longest: number
  placeholder: string
  /** Labels of the list's other entries, to add at one press. */
  known?: readonly string[]
  /** What labels mean, where somebody has said so. */
  meanings?: ReadonlyMap<string, string>
  onChange: (labels: string[]) => void
}

/** Most known labels that are offered. */
const OFFERED = 8

/** Several short texts of an entry, one a line, such as its groups. */
export function LabelsField({
  label,
  labels,
  most,
  longest,
  placeholder,
  known = [],
  meanings = new Map(),
  onChange,
}: LabelsFieldProps) {
  const id = useId()
  const offered = known.filter((one) => !labels.includes(one)).slice(0, OFFERED)
  return (
    <div className="flex flex-col">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      <textarea
        id={id}
        rows={1}
        dir="auto"
        placeholder={placeholder}
        className="textarea field-sizing-content min-h-0 w-full leading-snug"
        value={labels.join('\n')}
        onChange={(event) =>
          onChange(
            event.target.value === ''
              ? []
              : event.target.value
                  .split('\n')
                  .slice(0, most)
                  .map((text) => text.slice(0, longest)),
          )
        }
      />
      {labels.some((one) => meanings.has(one)) && (
        <ul className="quiet text-sm">
          {labels.map((one) => meanings.has(one) && <li key={one}>{meanings.get(one)}</li>)}
        </ul>
      )}
      {labels.length < most && offered.length > 0 && (
        <span className="flex flex-wrap gap-1 pt-1">
          {offered.map((one) => (
            <button
              key={one}
              type="button"
              className="btn btn-xs"
              dir="auto"
              title={meanings.get(one)}
              onClick={() => onChange([...labels.filter((text) => text !== ''), one])}
            >
              + {one}
            </button>
          ))}
        </span>
      )}
    </div>
  )
}
