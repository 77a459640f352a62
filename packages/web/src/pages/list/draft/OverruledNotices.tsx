import type { Draft, Overruled } from './draft.ts'
import type list from '../../../texts/en/list.json'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { Rich } from '../../../texts/Rich.tsx'
import { useTexts, type MessageKey } from '../../../texts/texts.ts'

interface OverruledNoticesProps {
  overruled: readonly Overruled[]
  draft: Draft
  edit: (change: (draft: Draft) => Draft) => void
  settle: (one: Overruled) => void
}

const SHOWN = 5

/** Offers back what somebody typed elsewhere and what gave way to newer typing here. */
export function OverruledNotices({ overruled, draft, edit, settle }: OverruledNoticesProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const valueOf = (one: Overruled): string => {
    if ('detail' in one) return typeof one.value === 'string' ? one.value : t('overruled.something')
    return [one.entry.answer.text, one.entry.prompt.text].filter((text) => text !== '').join(' · ')
  }
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
    <ul aria-label={t('overruled.label')} className="flex flex-col gap-2 empty:hidden">
      {overruled.slice(0, SHOWN).map((one, index) => {
        const row = 'entry' in one ? draft.entries.findIndex(({ id }) => id === one.entry.id) : -1
        return (
          <li key={index}>
            <div
              role="alert"
              className="panel flex flex-wrap items-center gap-2 border-s-4 border-s-warning p-3 text-sm"
            >
              <span className="flex-1">
                <Rich
                  texts={listTexts}
                  id={messageFor(one)}
                  values={{ row: row + 1, value: valueOf(one) }}
                  marks={{ q: <q dir="auto" /> }}
                />
              </span>
              <button type="button" className="btn btn-sm" onClick={() => take(one)}>
                {'entry' in one && one.removedHere ? t('overruled.putBack') : t('overruled.takeTheirs')}
              </button>
              <button type="button" className="btn btn-ghost btn-sm" onClick={() => settle(one)}>
                {t('overruled.keepMine')}
              </button>
            </div>
          </li>
        )
      })}
      {overruled.length > SHOWN && (
        <li className="quiet text-sm">{common('more', { count: overruled.length - SHOWN })}</li>
      )}
    </ul>
  )
}

function messageFor(one: Overruled): MessageKey<typeof list> {
  if ('detail' in one) return one.detail === 'title' ? 'overruled.title' : 'overruled.details'
  return one.removedHere ? 'overruled.deleted' : 'overruled.changed'
}
