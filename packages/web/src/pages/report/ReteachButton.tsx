import type { ReportScope } from '@otter/api'
import { useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { useReteach } from '../../api/reports.ts'
import { newId } from '../../ui/newId.ts'
import { Notice } from '../../ui/Notice.tsx'

interface ReteachButtonProps {
  scope: ReportScope
  /** Entries are taken that fewer than this share knew. */
  below: number
  /** By whom they were missed; everyone where there are none. */
  persons?: readonly string[]
  title: string
  isMain?: boolean
  disabled?: boolean
  children: ReactNode
}

/** Makes a list of what was missed, and goes there. */
export function ReteachButton({
  scope,
  below,
  persons = [],
  title,
  isMain = false,
  disabled = false,
  children,
}: ReteachButtonProps) {
  const navigate = useNavigate()
  const make = useReteach()
  // Sent again, since its reply was lost, it is one list; what is wanted otherwise is another.
  const wish = JSON.stringify([scope, below, persons])
  const [kept, setKept] = useState({ wish, id: newId() })
  const press = (): void => {
    const id = kept.wish === wish ? kept.id : newId()
    setKept({ wish, id })
    make.mutate(
      { id, scope, below, persons: [...persons], title },
      { onSuccess: (made) => void navigate(`/lists/${made.id}`) },
    )
  }
  return (
    <>
      <button
        type="button"
        className={`btn h-11 ${isMain ? 'btn-primary' : ''}`}
        disabled={disabled || make.isPending}
        onClick={press}
      >
        {children}
      </button>
      <Notice error={make.error} />
    </>
  )
}
