import { CircleAlert } from 'lucide-react'

/** Says what went wrong, what is safe and what to do. */
export function Notice({ error }: { error: Error | null | undefined }) {
  if (!error) return null
  return (
    <p role="alert" className="panel flex items-center gap-2 border-error p-3 text-error">
      <CircleAlert size={20} aria-hidden="true" />
      {error.message}
    </p>
  )
}
