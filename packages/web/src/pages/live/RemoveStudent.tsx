import type { HostStudent } from '@otter/api'
import { UserX } from 'lucide-react'
import { useState } from 'react'
import { useParticipantAction } from '../../api/results.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** Sends a student out, once it is sure: the device can't come back under another name. */
export function RemoveStudent({ offerId, student }: { offerId: string; student: HostStudent }) {
  const t = useTexts(liveTexts)
  const { participantId, name } = student
  const [isAsking, setAsking] = useState(false)
  const action = useParticipantAction(offerId)
  if (!isAsking)
    return (
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        aria-label={t('names.remove', { name })}
        onClick={() => setAsking(true)}
      >
        <UserX size={16} aria-hidden="true" />
      </button>
    )
  return (
    <div role="group" aria-label={t('names.remove', { name })} className="flex flex-col gap-1 text-sm">
      <span>{t('names.removeSure', { name })}</span>
      <span className="flex flex-wrap justify-center gap-1">
        <button type="button" className="btn btn-sm" autoFocus onClick={() => setAsking(false)}>
          {t('names.cancel')}
        </button>
        <button
          type="button"
          className="btn btn-secondary btn-sm"
          onClick={() => action.mutate({ participantId, act: 'change', removed: true })}
        >
          {t('names.remove', { name })}
        </button>
      </span>
    </div>
  )
}
