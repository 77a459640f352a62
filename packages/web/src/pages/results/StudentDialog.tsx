import type { ParticipantResult } from '@otter/api'
import { useState } from 'react'
import { useClass } from '../../api/classes.ts'
import { useParticipantAction, type ParticipantAction } from '../../api/results.ts'
import { Notice } from '../../ui/Notice.tsx'
import { LateAnswers } from './LateAnswers.tsx'
import { commonTexts, resultsTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'

interface StudentDialogProps {
  offerId: string
  student: ParticipantResult
  others: readonly ParticipantResult[]
  /** The class that the offer is set for; null for none. */
  classId: string | null
  onClose: () => void
}

/** How many times as much time a student can be given. */
const FACTORS = [1, 1.25, 1.5, 2, 3]

/** What can be done with one student: another name, out and in again, two that are one, an attempt given back. */
export function StudentDialog({
  offerId,
  student: { participantId, studentId, name, removed, merged, lastPlayId, attempts, factor, late },
  others,
  classId,
  onClose,
}: StudentDialogProps) {
  const t = useTexts(resultsTexts)
  const common = useTexts(commonTexts)
  const [typed, setTyped] = useState(name)
  const [into, setInto] = useState('')
  // A guest may be a student of the class who has not come under the own name.
  const roll = useClass(classId ?? '', classId !== null && studentId === null).data?.roll ?? []
  const present = new Set(others.map((other) => other.studentId))
  const pupils = roll.filter(({ id, state }) => state === 'in' && !present.has(id))
  const [deleting, setDeleting] = useState(false)
  const action = useParticipantAction(offerId)
  const act = (what: ParticipantAction, close = false, who = participantId): void =>
    action.mutate({ participantId: who, ...what }, { onSuccess: () => close && onClose() })
  return (
    <Dialog title={t('about', { name })} layout="flex flex-col gap-4" onClose={onClose}>
      <Notice error={action.error} />
      {late && <LateAnswers offerId={offerId} participantId={participantId} />}
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (typed.trim() !== '') act({ act: 'change', name: typed }, true)
        }}
      >
        <label className="flex flex-1 flex-col">
          <span className="quiet text-sm">{t('name')}</span>
          <input
            className="input w-full"
            dir="auto"
            maxLength={40}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <button
          type="submit"
          className="btn"
          disabled={action.isPending || typed.trim() === '' || typed.trim() === name}
        >
          {t('rename')}
        </button>
      </form>
      {others.length + pupils.length > 0 && (
        <div className="flex items-end gap-2">
          <label className="flex min-w-0 flex-1 flex-col">
            <span className="quiet text-sm">{t('sameAs')}</span>
            <select className="select w-full" value={into} onChange={(event) => setInto(event.target.value)}>
              <option value="">…</option>
              {others.map((other) => (
                <option key={other.participantId} value={other.participantId}>
                  {other.name}
                </option>
              ))}
              {pupils.length > 0 && (
                <optgroup label={t('ofClass')}>
                  {pupils.map((pupil) => (
                    <option key={pupil.id} value={pupil.id}>
                      {pupil.name}
                    </option>
                  ))}
                </optgroup>
              )}
            </select>
          </label>
          <button
            type="button"
            className="btn"
            disabled={action.isPending || into === ''}
            onClick={() =>
              act(
                pupils.some(({ id }) => id === into) ? { act: 'student', studentId: into } : { act: 'merge', into },
                true,
              )
            }
          >
            {t('putTogether')}
          </button>
        </div>
      )}
      {merged.map((other) => (
        <p key={other.participantId} className="flex items-center justify-between gap-2">
          <span>
            <Rich texts={resultsTexts} id="togetherWith" values={{ name: other.name }} marks={{ name: <bdi /> }} />
          </span>
          <button
            type="button"
            className="btn btn-sm"
            disabled={action.isPending}
            onClick={() => act({ act: 'merge', into: null }, false, other.participantId)}
          >
            {t('part')}
          </button>
        </p>
      ))}
      {attempts > 0 && lastPlayId !== null && (
        <p className="flex items-center justify-between gap-2">
          <span>
            {t('giveBackTitle')}
            <span className="quiet block text-sm">{t('giveBackHelp')}</span>
          </span>
          <button
            type="button"
            className="btn"
            disabled={action.isPending}
            onClick={() => act({ act: 'give-back', playId: lastPlayId }, true)}
          >
            {t('giveBack')}
          </button>
        </p>
      )}
      <label className="flex items-center justify-between gap-2">
        {t('time')}
        <select
          className="select w-auto"
          value={factor}
          disabled={action.isPending}
          onChange={(event) => act({ act: 'change', factor: Number(event.target.value) })}
        >
          {FACTORS.map((more) => (
            <option key={more} value={more}>
              {more === 1 ? t('timeAs') : t('timeMore', { factor: more })}
            </option>
          ))}
        </select>
      </label>
      <p className="flex items-center justify-between gap-2">
        <span>
          {removed ? t('letBackTitle') : t('takeOutTitle')}
          <span className="quiet block text-sm">{removed ? t('letBackHelp') : t('takeOutHelp')}</span>
        </span>
        <button
          type="button"
          className="btn"
          disabled={action.isPending}
          onClick={() => act({ act: 'change', removed: !removed })}
        >
          {removed ? t('letBack') : t('takeOut')}
        </button>
      </p>
      <div className="flex flex-wrap items-center justify-between gap-2">
        {deleting ? (
          <>
            <span className="text-error">{t('deleteSure', { count: attempts })}</span>
            <span className="flex gap-2">
              <button type="button" className="btn" autoFocus onClick={() => setDeleting(false)}>
                {t('keep')}
              </button>
              <button
                type="button"
                className="btn border-error text-error"
                disabled={action.isPending}
                onClick={() => act({ act: 'delete' }, true)}
              >
                {common('delete')}
              </button>
            </span>
          </>
        ) : (
          <button type="button" className="btn btn-ghost text-error" onClick={() => setDeleting(true)}>
            {t('deleteStudent')}
          </button>
        )}
        <button type="button" className="btn btn-primary ms-auto" onClick={onClose}>
          {common('done')}
        </button>
      </div>
    </Dialog>
  )
}
