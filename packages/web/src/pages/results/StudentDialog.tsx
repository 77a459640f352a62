import type { ParticipantResult } from '@otter/api'
import { useEffect, useRef, useState } from 'react'
import { useParticipantAction, type ParticipantAction } from '../../api/queries.ts'
import { Notice } from '../../ui/Notice.tsx'

interface StudentDialogProps {
  offerId: string
  student: ParticipantResult
  others: readonly ParticipantResult[]
  onClose: () => void
}

/** What can be done with one student: another name, out and in again, two that are one, an attempt given back. */
export function StudentDialog({
  offerId,
  student: { participantId, name, removed, merged, lastPlayId, attempts },
  others,
  onClose,
}: StudentDialogProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const [typed, setTyped] = useState(name)
  const [into, setInto] = useState('')
  const [deleting, setDeleting] = useState(false)
  const action = useParticipantAction(offerId)
  useEffect(() => dialog.current?.showModal(), [])
  const act = (what: ParticipantAction, close = false, who = participantId): void =>
    action.mutate({ participantId: who, ...what }, { onSuccess: () => close && onClose() })
  return (
    <dialog ref={dialog} className="modal" aria-label={`About ${name}`} onClose={onClose}>
      <div className="modal-box flex flex-col gap-4">
        <h2 className="text-2xl" dir="auto">
          {name}
        </h2>
        <Notice error={action.error} />
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (typed.trim() !== '') act({ act: 'change', name: typed }, true)
          }}
        >
          <label className="flex flex-1 flex-col">
            <span className="quiet text-sm">Name</span>
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
            Rename
          </button>
        </form>
        {others.length > 0 && (
          <div className="flex items-end gap-2">
            <label className="flex min-w-0 flex-1 flex-col">
              <span className="quiet text-sm">The same student as</span>
              <select className="select w-full" value={into} onChange={(event) => setInto(event.target.value)}>
                <option value="">…</option>
                {others.map((other) => (
                  <option key={other.participantId} value={other.participantId}>
                    {other.name}
                  </option>
                ))}
              </select>
            </label>
            <button
              type="button"
              className="btn"
              disabled={action.isPending || into === ''}
              onClick={() => act({ act: 'merge', into }, true)}
            >
              Put together
            </button>
          </div>
        )}
        {merged.map((other) => (
          <p key={other.participantId} className="flex items-center justify-between gap-2">
            <span>
              Put together with <bdi>{other.name}</bdi>
            </span>
            <button
              type="button"
              className="btn btn-sm"
              disabled={action.isPending}
              onClick={() => act({ act: 'merge', into: null }, false, other.participantId)}
            >
              Part again
            </button>
          </p>
        ))}
        {attempts > 0 && lastPlayId !== null && (
          <p className="flex items-center justify-between gap-2">
            <span>
              Give the last attempt back
              <span className="quiet block text-sm">It no longer counts, and can be played anew.</span>
            </span>
            <button
              type="button"
              className="btn"
              disabled={action.isPending}
              onClick={() => act({ act: 'give-back', playId: lastPlayId }, true)}
            >
              Give back
            </button>
          </p>
        )}
        <p className="flex items-center justify-between gap-2">
          <span>
            {removed ? 'Let back into the game' : 'Take out of the game'}
            <span className="quiet block text-sm">
              {removed ? 'Goes on where it stood.' : 'What was done is kept.'}
            </span>
          </span>
          <button
            type="button"
            className="btn"
            disabled={action.isPending}
            onClick={() => act({ act: 'change', removed: !removed })}
          >
            {removed ? 'Let back' : 'Take out'}
          </button>
        </p>
        <div className="flex flex-wrap items-center justify-between gap-2">
          {deleting ? (
            <>
              <span className="text-error">
                This deletes {attempts === 1 ? 'the attempt' : `all ${attempts} attempts`} for good.
              </span>
              <span className="flex gap-2">
                <button type="button" className="btn" autoFocus onClick={() => setDeleting(false)}>
                  Keep
                </button>
                <button
                  type="button"
                  className="btn border-error text-error"
                  disabled={action.isPending}
                  onClick={() => act({ act: 'delete' }, true)}
                >
                  Delete
                </button>
              </span>
            </>
          ) : (
            <button type="button" className="btn btn-ghost text-error" onClick={() => setDeleting(true)}>
              Delete the student and all that was done …
            </button>
          )}
          <button type="button" className="btn btn-primary ms-auto" onClick={() => dialog.current?.close()}>
            Done
          </button>
        </div>
      </div>
    </dialog>
  )
}
