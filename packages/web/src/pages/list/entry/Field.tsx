import { useId, type ReactNode } from 'react'

/** A field of an entry under its label. */
export function Field({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div className="flex flex-col">
      <label htmlFor={id} className="quiet text-sm">
        {label}
      </label>
      {children(id)}
    </div>
  )
}
