import type { CheckNote } from '@otter/core'
import { CircleAlert, CircleCheck } from 'lucide-react'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface CheckCountProps {
  notes: readonly CheckNote[]
  entryCount: number
  /** Leads to the next note. */
  onNext: () => void
}

/** How many rows need a look; pressing it leads to the next. */
export function CheckCount({ notes, entryCount, onNext }: CheckCountProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const harm = notes.filter(({ weight }) => weight === 'harm').length
  if (notes.length === 0)
    return entryCount > 0 ? (
      <p role="status" className="flex items-center gap-1.5 text-sm text-success">
        <CircleCheck size={16} aria-hidden="true" />
        {t('checks.nothing')}
      </p>
    ) : null
  const said = [
    harm > 0 && t('checks.mend', { count: harm }),
    notes.length > harm && t('checks.look', { count: notes.length - harm }),
  ]
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
        {said} <span className="link">{common('next')}</span>
      </button>
    </div>
  )
}
