import { useOffers } from '../../api/offers.ts'
import { useGameWords } from '../../games/words.ts'
import { RenewOffer } from '../share/RenewOffer.tsx'

/** Open links of a list whose games were made of earlier words, each to be renewed where the words were changed. */
export function OutdatedLinks({ listId }: { listId: string }) {
  const words = useGameWords()
  const offers = useOffers(listId).data?.filter(({ open, live }) => open && live === null) ?? []
  return (
    <ul className="contents">
      {offers.map((offer) => (
        <li key={offer.id} className={offer.outdated ? 'panel flex flex-wrap items-baseline gap-x-3 p-2' : 'contents'}>
          {offer.outdated && (
            <strong>
              {words.name(offer.kind)} · {offer.name || offer.code}
            </strong>
          )}
          <RenewOffer offer={offer} />
        </li>
      ))}
    </ul>
  )
}
