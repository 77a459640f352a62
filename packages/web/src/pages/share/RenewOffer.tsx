import type { OfferReply } from '@otter/api'
import { RefreshCw } from 'lucide-react'
import { useRenewOffer } from '../../api/offers.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Puts the words as they are now under a link whose game was made of earlier ones, and says that it is done. */
export function RenewOffer({ offer: { id, outdated } }: { offer: Pick<OfferReply, 'id' | 'outdated'> }) {
  const t = useTexts(shareTexts)
  const renew = useRenewOffer()
  return (
    <>
      {outdated && (
        <p className="mt-1 flex flex-wrap items-center gap-2">
          <span>{t('outdated')}</span>
          <button type="button" className="btn btn-sm" disabled={renew.isPending} onClick={() => renew.mutate(id)}>
            <RefreshCw size={15} aria-hidden="true" />
            {t(renew.isPending ? 'renewing' : 'renew')}
          </button>
          <span className="quiet text-sm">{t('renewHelp')}</span>
        </p>
      )}
      <p role="status" className="text-success empty:hidden">
        {!outdated && renew.isSuccess ? t('renewed') : ''}
      </p>
      <Notice error={renew.error} />
    </>
  )
}
