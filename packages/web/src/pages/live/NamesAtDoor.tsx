import type { HostState } from '@otter/api'
import { useState } from 'react'
import { useAnswerName } from '../../api/live.ts'
import { useParticipantAction } from '../../api/results.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

/** Names that wait for the teacher: rude ones, shown only once asked for, since the class may see this screen; and who says to be back. */
export function NamesAtDoor({ state: { id, students } }: { state: HostState }) {
  const t = useTexts(liveTexts)
  const [isShown, setShown] = useState(false)
  const answer = useAnswerName(id)
  const action = useParticipantAction(id)
  const held = students.filter(({ heldName, removed }) => heldName !== null && !removed)
  const back = students.filter(({ waits, removed }) => waits && !removed)
  if (held.length === 0 && back.length === 0) return null
  return (
    <section className="panel flex flex-col gap-2 border-warning p-3">
      <Notice error={answer.error ?? action.error} />
      {held.length > 0 && (
        <p className="flex items-center gap-3" role="status">
          {t('names.held', { count: held.length })}
          <button type="button" className="btn btn-sm" aria-expanded={isShown} onClick={() => setShown(!isShown)}>
            {t(isShown ? 'names.hide' : 'names.look')}
          </button>
        </p>
      )}
      {isShown &&
        held.map(({ participantId, name, heldName }) => (
          <p key={participantId} className="flex flex-wrap items-center gap-3">
            <span>{t('names.isHeld', { typed: heldName!, name })}</span>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => answer.mutate({ participantId, allowed: true })}
            >
              {t('names.let')}
            </button>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => answer.mutate({ participantId, allowed: false })}
            >
              {t('names.keep')}
            </button>
          </p>
        ))}
      {back.map(({ participantId, name }) => (
        <p key={participantId} className="flex flex-wrap items-center gap-3" role="status">
          <span>{t('names.waits', { name })}</span>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => action.mutate({ participantId, act: 'return', same: true })}
          >
            {t('names.same')}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => action.mutate({ participantId, act: 'return', same: false })}
          >
            {t('names.other')}
          </button>
        </p>
      ))}
    </section>
  )
}
