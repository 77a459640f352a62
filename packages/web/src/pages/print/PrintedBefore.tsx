import type { GameKind } from '@otter/core'
import { Link } from 'react-router'
import { usePrints } from '../../api/prints.ts'
import { printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** What was printed of a list's game before: each opens as it was, with its key. */
export function PrintedBefore({ listId, kind }: { listId: string; kind: GameKind }) {
  const t = useTexts(printTexts)
  const sheet = useTexts(sheetTexts)
  const { date } = useWriting()
  const { data } = usePrints(listId, kind)
  if (!data || data.prints.length === 0) return null
  return (
    <details className="w-full text-sm">
      <summary className="w-fit cursor-pointer py-1">{t('before', { count: data.prints.length })}</summary>
      <ul className="flex flex-col gap-1 pt-1">
        {data.prints.map(({ id, printedAt, seed, rules, versions }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3">
            <Link className="link py-1" to={`/prints/${id}`}>
              {date(printedAt, { dateStyle: 'full', timeStyle: 'short' })}
            </Link>
            <span className="quiet">
              {t('versionsOf', { count: versions })} · {sheet('seed')} {seed} · {sheet('rules', { number: rules })}
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}
