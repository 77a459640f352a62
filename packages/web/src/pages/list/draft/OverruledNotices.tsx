import type { Draft, Overruled } from './draft.ts'

interface OverruledNoticesProps {
  overruled: readonly Overruled[]
  draft: Draft
  edit: (change: (draft: Draft) => Draft) => void
  settle: (one: Overruled) => void
}

const SHOWN = 5

/** Offers back what somebody typed elsewhere and what gave way to newer typing here. */
export function OverruledNotices({ overruled, draft, edit, settle }: OverruledNoticesProps) {
  const take = (one: Overruled): void => {
    edit((before) => {
      if ('detail' in one) return { ...before, [one.detail]: one.value }
      const { entry } = one
      const there = before.entries.some(({ id }) => id === entry.id)
      return {
        ...before,
        entries: there
          ? before.entries.map((other) => (other.id === entry.id ? entry : other))
          : [...before.entries, entry].sort((first, second) => first.position - second.position),
      }
    })
    settle(one)
  }
  return (
    <ul aria-label="Changed elsewhere too" className="flex flex-col gap-2 empty:hidden">
      {overruled.slice(0, SHOWN).map((one, index) => {
        const row = 'entry' in one ? draft.entries.findIndex(({ id }) => id === one.entry.id) : -1
        return (
          <li key={index}>
            <div
              role="alert"
              className="panel flex flex-wrap items-center gap-2 border-s-4 border-s-warning p-3 text-sm"
            >
              <span className="flex-1">
                {'detail' in one ? (
                  <>
                    The {one.detail === 'title' ? 'title' : 'list’s details'} was also changed in another window:{' '}
                    <q>{typeof one.value === 'string' ? one.value : 'something else'}</q>.
                  </>
                ) : (
                  <>
                    {one.removedHere ? 'A row that you deleted was changed' : `Row ${row + 1} was also changed`} in
                    another window:{' '}
                    <q dir="auto">
                      {[one.entry.answer.text, one.entry.prompt.text].filter((text) => text !== '').join(' · ')}
                    </q>
                    . {one.removedHere ? '' : 'Yours is newer and stands.'}
                  </>
                )}
              </span>
              <button type="button" className="btn btn-sm" onClick={() => take(one)}>
                {'entry' in one && one.removedHere ? 'Put it back' : 'Take theirs'}
              </button>
              <button type="button" className="btn btn-ghost btn-sm" onClick={() => settle(one)}>
                Keep mine
              </button>
            </div>
          </li>
        )
      })}
      {overruled.length > SHOWN && <li className="quiet text-sm">and {overruled.length - SHOWN} more</li>}
    </ul>
  )
}
