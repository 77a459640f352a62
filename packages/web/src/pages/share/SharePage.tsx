import type { OfferReply } from '@otter/api'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useList } from '../../api/lists.ts'
import { useOffers } from '../../api/offers.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'
import { GiveList } from './GiveList.tsx'
import { LiveCard } from './LiveCard.tsx'
import { OfferCard } from './OfferCard.tsx'
import { PlayAtWall } from './PlayAtWall.tsx'
import { PlayLive } from './PlayLive.tsx'
import { SetWorkPanel } from './SetWorkPanel.tsx'
import { WallCard } from './WallCard.tsx'
import { classesTexts, commonTexts, shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** The links of a list: to show, to copy, to close and to open again. */
export function SharePage() {
  const common = useTexts(commonTexts)
  const t = useTexts(shareTexts)
  const classes = useTexts(classesTexts)
  const { id = '' } = useParams()
  const list = useList(id)
  const offers = useOffers(id)
  const [showsArchived, setShowsArchived] = useState(false)
  const archived = offers.data?.filter((offer) => offer.archived).length ?? 0
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <ListHeader
        listId={id}
        step="play"
        title={
          <h1 className="text-4xl along-page" dir="auto">
            {list.data?.title || common('untitled')}
          </h1>
        }
        facts={t('facts')}
        action={
          <Link className="btn h-11" to={`/lists/${id}`}>
            {t('backToWords')}
          </Link>
        }
      />
      <SetWorkPanel listId={id} />
      <PlayLive listId={id} />
      <PlayAtWall listId={id} />
      <Notice error={offers.error ?? list.error} />
      {offers.isPending && <Waterline filled={undefined} label={t('fetching')} />}
      {offers.data?.length === 0 && <p className="panel p-6">{t('none')}</p>}
      <ul className="flex flex-col gap-4">
        {offers.data
          ?.filter((offer) => showsArchived || !offer.archived)
          .map((offer: OfferReply) => (
            <li key={offer.id}>
              {offer.live ? (
                <LiveCard offer={offer} listId={id} />
              ) : offer.teams !== null ? (
                <WallCard offer={offer} listId={id} />
              ) : (
                <OfferCard offer={offer} listId={id} />
              )}
            </li>
          ))}
      </ul>
      {offers.data?.some(({ open, live, teams }) => open && live === null && teams === null) && (
        <Link className="link self-start" to={`/lists/${id}/codes`}>
          {classes('codes.print')}
        </Link>
      )}
      <GiveList listId={id} />
      {archived > 0 && (
        <button
          type="button"
          className="btn btn-ghost self-start font-normal"
          aria-expanded={showsArchived}
          onClick={() => setShowsArchived(!showsArchived)}
        >
          {t(showsArchived ? 'hideArchived' : 'showArchived', { count: archived })}
        </button>
      )}
    </main>
  )
}
