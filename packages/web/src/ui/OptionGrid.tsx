import type { ReactNode } from 'react'

/** Labelled choices side by side, as many in a row as there is room for. */
export function OptionGrid({ children }: { children: ReactNode }) {
  return <div className="grid grid-cols-2 gap-x-4 gap-y-2 text-sm xl:grid-cols-3">{children}</div>
}
