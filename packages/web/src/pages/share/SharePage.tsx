import type { OfferReply } from '@otter/api'
import { Link, useParams } from 'react-router'
import { useList, useOffers } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ListHeader } from '../list/ListHeader.tsx'
import { OfferCard } from './OfferCard.tsx'

/** The links of a list: to show, to copy, to close and to open again. */
export function SharePage() {
  const { id = '' } = useParams()
  const list = useList(id)
  const offers = useOffers(id)
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
      <ListHeader
        listId={id}
        step="Play"
        title={
          <h1 className="text-4xl" dir="auto">
            {list.data?.title || 'Untitled list'}
          </h1>
        }
        facts="Students open the link or type the code. No account needed."
        action={
          <Link className="btn h-11" to={`/lists/${id}`}>
            Back to the words
          </Link>
        }
      />
      <Notice error={offers.error ?? list.error} />
      {offers.isPending && <Waterline filled={undefined} label="Fetching the links" />}
      {offers.data?.length === 0 && (
        <p className="panel p-6">
          No link yet. Choose a game and press “Share with students”: a link works from the moment it exists.
        </p>
      )}
      <ul className="flex flex-col gap-4">
        {offers.data?.map((offer: OfferReply) => (
          <li key={offer.id}>
            <OfferCard offer={offer} listId={id} />
          </li>
        ))}
      </ul>
    </main>
  )
}
