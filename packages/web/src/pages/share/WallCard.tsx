import type { OfferReply } from '@otter/api'
import { Link } from 'react-router'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { OfferEnd } from './OfferEnd.tsx'

/** A game for teams at the wall: to go on where it stands, and to its results. */
export function WallCard({ offer, listId }: { offer: OfferReply; listId: string }) {
  const t = useTexts(wallPlayTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { date } = useWriting()
  const { id, kind, teams, createdAt } = offer
  return (
    <article className="panel flex flex-wrap items-center gap-6 p-5" aria-label={t('card', { game: words.name(kind) })}>
      <div className="min-w-0 flex-1">
        <p className="text-2xl">{t('card', { game: words.name(kind) })}</p>
        <p className="quiet">
          {date(createdAt, { dateStyle: 'medium', timeStyle: 'short' })} · {t('teamsIn', { count: teams ?? 0 })}
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
        <Link className="btn btn-primary h-11" to={`/wall/${id}`}>
          {t('goOn')}
        </Link>
        <Link className="btn h-11" to={`/lists/${listId}/results?link=${id}`}>
          {common('results')}
        </Link>
        <OfferEnd offer={offer} />
      </div>
    </article>
  )
}
