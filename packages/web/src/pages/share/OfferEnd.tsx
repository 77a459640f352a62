import type { OfferReply } from '@otter/api'
import { Archive, ArchiveRestore, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useChangeOffer, useDeleteOffer } from '../../api/offers.ts'
import { commonTexts, shareTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** What puts an offer away: to the archive and back, or for good once it is sure. */
export function OfferEnd({ offer: { id, code, archived, players } }: { offer: OfferReply }) {
  const t = useTexts(shareTexts)
  const common = useTexts(commonTexts)
  const change = useChangeOffer()
  const remove = useDeleteOffer()
  const [isDeleting, setDeleting] = useState(false)
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-square h-11"
        aria-label={t(archived ? 'restoreLink' : 'archiveLink', { code })}
        title={t(archived ? 'restoreLink' : 'archiveLink', { code })}
        disabled={change.isPending}
        onClick={() => change.mutate({ id, archived: !archived })}
      >
        {archived ? <ArchiveRestore size={16} aria-hidden="true" /> : <Archive size={16} aria-hidden="true" />}
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-square h-11"
        aria-label={t('deleteLink', { code })}
        onClick={() => setDeleting(true)}
      >
        <Trash2 size={16} aria-hidden="true" />
      </button>
      <Notice error={change.error ?? remove.error} />
      {isDeleting && (
        <p role="alert" className="flex w-full flex-wrap items-center gap-2 border-t border-base-300 pt-3">
          <span className="flex-1">{t('deleteSure', { count: players })}</span>
          <button type="button" className="btn h-11" autoFocus onClick={() => setDeleting(false)}>
            {common('keep')}
          </button>
          <button
            type="button"
            className="btn h-11 border-error text-error"
            disabled={remove.isPending}
            onClick={() => remove.mutate(id)}
          >
            {t('deleteForGood')}
          </button>
        </p>
      )}
    </>
  )
}
