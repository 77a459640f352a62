import type { OfferReply } from '@otter/api'
import { Copy, MonitorPlay, RefreshCw, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useChangeOffer, useDeleteOffer, useRenewOffer } from '../../api/queries.ts'
import { TEACHER } from '../../games/teacher.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'

/** One link of a list, with all that can be done with it. */
export function OfferCard({ offer, listId }: { offer: OfferReply; listId: string }) {
  const { id, code, kind, seed, players, open, outdated, createdAt } = offer
  const change = useChangeOffer()
  const renew = useRenewOffer()
  const remove = useDeleteOffer()
  const [copied, setCopied] = useState(false)
  const [name, setName] = useState(offer.name)
  const [deleting, setDeleting] = useState(false)
  const address = `${location.origin}/p/${code}`
  return (
    <article className="panel flex flex-wrap items-center gap-6 p-5" aria-label={`Link ${code}`}>
      <QrCode text={address} size={128} label={`QR code for ${address}`} />
      <div className="min-w-0 flex-1">
        <p className="flex flex-wrap items-baseline gap-3">
          <span className="text-4xl font-bold tracking-[0.18em]">{code}</span>
          <input
            className="input input-sm w-56"
            dir="auto"
            aria-label={`Name of link ${code}`}
            placeholder="a name, such as Tuesday group"
            maxLength={100}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onBlur={() => name.trim() !== offer.name && change.mutate({ id, name })}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        </p>
        <p className="break-all">
          <a className="link" href={address}>
            {address}
          </a>
        </p>
        <p className="quiet">
          {TEACHER[kind].name} · seed {seed} ·{' '}
          {new Date(createdAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} · {players}{' '}
          {players === 1 ? 'student' : 'students'} ·{' '}
          {open ? <strong className="text-success">open</strong> : <strong className="text-error">closed</strong>}
        </p>
        {outdated && (
          <p className="mt-1 flex flex-wrap items-center gap-2">
            <span>The list has changed since.</span>
            <button type="button" className="btn btn-sm" disabled={renew.isPending} onClick={() => renew.mutate(id)}>
              <RefreshCw size={15} aria-hidden="true" />
              Renew the game
            </button>
            <span className="quiet text-sm">Same link; who is playing ends the old one first.</span>
          </p>
        )}
        <Notice error={change.error ?? renew.error ?? remove.error} />
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn h-11"
          onClick={() =>
            void navigator.clipboard.writeText(address).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }
        >
          <Copy size={16} aria-hidden="true" />
          <span aria-live="polite">{copied ? 'Copied' : 'Copy link'}</span>
        </button>
        <Link className="btn h-11" to={`/lists/${listId}/wall/${code}`}>
          <MonitorPlay size={16} aria-hidden="true" />
          Show on the wall
        </Link>
        <Link className="btn h-11" to={`/lists/${listId}/results?link=${id}`}>
          Results
        </Link>
        <button
          type="button"
          className="btn h-11"
          disabled={change.isPending}
          onClick={() => change.mutate({ id, open: !open })}
        >
          {open ? 'Close' : 'Open again'}
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-square h-11"
          aria-label={`Delete link ${code} …`}
          onClick={() => setDeleting(true)}
        >
          <Trash2 size={16} aria-hidden="true" />
        </button>
      </div>
      {deleting && (
        <p role="alert" className="flex w-full flex-wrap items-center gap-2 border-t border-base-300 pt-3">
          <span className="flex-1">
            This deletes the link and what {players === 1 ? 'its student has' : `all its ${players} students have`}{' '}
            done, for good. The list stays.
          </span>
          <button type="button" className="btn h-11" autoFocus onClick={() => setDeleting(false)}>
            Keep it
          </button>
          <button
            type="button"
            className="btn h-11 border-error text-error"
            disabled={remove.isPending}
            onClick={() => remove.mutate(id)}
          >
            Delete for good
          </button>
        </p>
      )}
    </article>
  )
}
