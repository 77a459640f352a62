import type { OfferReply } from '@otter/api'
import { Link } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, liveTexts, shareTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { OfferEnd } from './OfferEnd.tsx'

/** A live session of a list: to go back to while it is on, and to its results. */
export function LiveCard({ offer, listId }: { offer: OfferReply; listId: string }) {
  const t = useTexts(liveTexts)
  const share = useTexts(shareTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { date } = useWriting()
  const { id, code, kind, players, live, createdAt } = offer
  return (
    <article className="panel flex flex-wrap items-center gap-6 p-5" aria-label={share('link', { code })}>
      <div className="min-w-0 flex-1">
        <p className="flex flex-wrap items-baseline gap-3">
          <span className="text-4xl font-bold tracking-[0.18em]" dir="ltr">
            {code}
          </span>
          <strong className={live === 'over' ? 'quiet' : 'text-success'}>
            {t('card.live')} · {t(`card.phase.${live ?? 'over'}`)}
          </strong>
        </p>
        <p className="quiet">
          {words.name(kind)} · {date(createdAt, { dateStyle: 'medium' })} · {share('students', { count: players })}
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
        <Link className={`btn h-11 ${live === 'over' ? '' : 'btn-primary'}`} to={`/live/${id}`}>
          {t('card.open')}
        </Link>
        <Link className="btn h-11" to={`/lists/${listId}/results?link=${id}`}>
          {common('results')}
        </Link>
        <OfferEnd offer={offer} />
      </div>
    </article>
  )
}
