import type { OfferReply } from '@otter/api'
import { useState } from 'react'
import { Link } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { listsTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { nowOf } from './nowOf.ts'

/** What runs now, and what is due next. */
export function Now({ offers }: { offers: readonly OfferReply[] }) {
  const t = useTexts(listsTexts)
  const games = useGameWords()
  const { date } = useWriting()
  const [now] = useState(() => Date.now())
  const shown = nowOf(offers, now)
  if (shown.length === 0) return null
  return (
    <section aria-labelledby="now" className="flex flex-col gap-2">
      <h2 id="now" className="text-xl">
        {t('now.title')}
      </h2>
      <ul className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {shown.map(({ id, kind, name, title, className, classId, dueAt, live, players }) => (
          <li key={id} className="panel p-3">
            <p className="font-bold" dir="auto">
              {name || title}
            </p>
            <p className="quiet text-sm">
              {[
                ...(className === null ? [] : [className]),
                games.name(kind),
                live !== null
                  ? t(`now.${live === 'lobby' ? 'lobby' : 'running'}`)
                  : t('now.due', { when: date(dueAt!, { weekday: 'short', day: 'numeric', month: 'short' }) }),
                t('now.students', { count: players }),
              ].join(' · ')}
            </p>
            <Link className="link inline-block py-1" to={live !== null ? `/live/${id}` : `/classes/${classId ?? ''}`}>
              {t(live !== null ? 'now.toSession' : 'now.toClass')}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
