import type { CheckNote } from '@otter/core'
import { CircleAlert, CircleCheck } from 'lucide-react'

interface CheckCountProps {
  notes: readonly CheckNote[]
  entryCount: number
  /** Leads to the next note. */
  onNext: () => void
}

/** How many rows need a look; pressing it leads to the next. */
export function CheckCount({ notes, entryCount, onNext }: CheckCountProps) {
  const harm = notes.filter(({ weight }) => weight === 'harm').length
  if (notes.length === 0)
    return entryCount > 0 ? (
      <p role="status" className="flex items-center gap-1.5 text-sm text-success">
        <CircleCheck size={16} aria-hidden="true" />
        Nothing to mend
      </p>
    ) : null
  const said = [harm > 0 && `${harm} to mend`, notes.length > harm && `${notes.length - harm} to look at`]
    .filter((part) => part !== false)
    .join(', ')
  return (
    <div className="flex">
      <span role="status" className="sr-only">
        {said}
      </span>
      <button
        type="button"
        className={`flex min-h-6 cursor-pointer items-center gap-1.5 text-sm font-bold ${harm > 0 ? 'text-error' : 'quiet'}`}
        onClick={onNext}
      >
        <CircleAlert size={16} aria-hidden="true" />
        {said} <span className="link">Next</span>
      </button>
    </div>
  )
}
