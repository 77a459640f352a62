import { ChevronDown, ChevronUp, X } from 'lucide-react'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

interface EntryHeadProps {
  title: string
  row: number
  rows: number
  onGo: (row: number) => void
  onClose: () => void
}

/** Which entry it is, and the ways to the ones beside it. */
export function EntryHead({ title, row, rows, onGo, onClose }: EntryHeadProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  return (
    <div className="flex items-center gap-1">
      <h2 className="min-w-0 flex-1 truncate text-2xl" dir="auto">
        {row + 1} · {title}
      </h2>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={t('entry.before')}
        disabled={row === 0}
        onClick={() => onGo(row - 1)}
      >
        <ChevronUp size={18} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={t('entry.next')}
        disabled={row >= rows - 1}
        onClick={() => onGo(row + 1)}
      >
        <ChevronDown size={18} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={common('close')}
        title="Esc"
        onClick={onClose}
      >
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  )
}
