import { Plus } from 'lucide-react'
import { directionOf } from '@otter/core'
import { Link, useNavigate } from 'react-router'
import { useCreateList, useLists } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { OtterAfloat } from '../../ui/Otter.tsx'
import { Waterline } from '../../ui/Waterline.tsx'

/** All lists of a teacher. */
export function ListsPage() {
  const lists = useLists()
  const create = useCreateList()
  const navigate = useNavigate()
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <div className="flex items-center justify-between">
        <h1 className="text-4xl">Your lists</h1>
        <button type="button" className="btn btn-primary h-11" disabled={create.isPending} onClick={() => create.mutate(undefined, { onSuccess: ({ id }) => void navigate(`/lists/${id}`) })}><Plus size={18} aria-hidden="true" />New list</button>
      </div>
      <Waterline filled={lists.isPending ? undefined : 1} label={lists.isPending ? 'Fetching your lists' : 'Your lists are here'} />
      <Notice error={lists.error ?? create.error} />
      {lists.data?.length === 0 && <div className="flex flex-col items-center gap-4 py-10 text-center"><OtterAfloat /><p className="text-lg">No lists yet. Make one, and paste your words.</p></div>}
      <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {lists.data?.map(({ id, title, entryCount, updatedAt }) => (
          <li key={id}>
            <Link to={`/lists/${id}`} className="panel flex h-full flex-col gap-1 border-s-4 p-4 hover:border-secondary" style={{ borderInlineStartColor: 'var(--margin-line)' }}>
              <span className="font-display text-xl" dir={directionOf(title)}>{title || 'Untitled list'}</span>
              <span className="quiet">{entryCount} {entryCount === 1 ? 'entry' : 'entries'} · changed {new Date(updatedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })}</span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  )
}
