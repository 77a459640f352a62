import type { OfferReply } from '@otter/api'
import { Copy, Megaphone, MonitorPlay } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useChangeOffer } from '../../api/offers.ts'
import { TEACHER } from '../../games/teacher.ts'
import { useGameWords } from '../../games/words.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { ChangeWork } from './ChangeWork.tsx'
import { OfferEnd } from './OfferEnd.tsx'
import { OfferOptions } from './OfferOptions.tsx'
import { ShareMore } from './ShareMore.tsx'
import { RenewOffer } from './RenewOffer.tsx'
import { commonTexts, shareTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** One link of a list, with all that can be done with it. */
export function OfferCard({ offer, listId }: { offer: OfferReply; listId: string }) {
  const t = useTexts(shareTexts)
  const common = useTexts(commonTexts)
  const { id, code, kind, seed, players, open, createdAt } = offer
  const words = useGameWords()
  const { date } = useWriting()
  const change = useChangeOffer()
  const [copied, setCopied] = useState(false)
  const [name, setName] = useState(offer.name)
  const [leading, setLeading] = useState(false)
  const { Lead } = TEACHER[kind]
  const address = `${location.origin}/p/${code}`
  return (
    <article className="panel flex flex-wrap items-center gap-6 p-5" aria-label={t('link', { code })}>
      <QrCode text={address} size={128} label={t('qrFor', { address })} />
      <div className="min-w-0 flex-1">
        <p className="flex flex-wrap items-baseline gap-3">
          <span className="text-4xl font-bold tracking-[0.18em]">{code}</span>
          <input
            className="input input-sm w-72"
            dir="auto"
            aria-label={t('nameOf', { code })}
            placeholder={t('nameHint')}
            maxLength={100}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onBlur={() => name.trim() !== offer.name && change.mutate({ id, name })}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        </p>
        {offer.className !== null && (
          <p className="font-bold">
            {t('forClass', { name: offer.className })}
            {offer.dueAt && ` · ${t('due', { when: date(offer.dueAt, { dateStyle: 'medium', timeStyle: 'short' }) })}`}
          </p>
        )}
        <p className="break-all">
          <a className="link inline-block py-0.5" href={address}>
            {address}
          </a>
        </p>
        <p className="quiet">
          {t('madeOf', { game: words.name(kind), seed })} · {date(createdAt, { day: 'numeric', month: 'short' })} ·{' '}
          {t('students', { count: players })} ·{' '}
          {open ? (
            <strong className="text-success">{t('open')}</strong>
          ) : (
            <strong className="text-error">{t('closed')}</strong>
          )}
        </p>
        <OfferOptions offer={offer} />
        <RenewOffer offer={offer} />
        <Notice error={change.error} />
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
          <span aria-live="polite">{copied ? t('copied') : t('copy')}</span>
        </button>
        {Lead && offer.led && (
          <button type="button" className="btn btn-primary h-11" onClick={() => setLeading(true)}>
            <Megaphone size={16} aria-hidden="true" />
            {t('lead')}
          </button>
        )}
        <Link className="btn h-11" to={`/lists/${listId}/wall/${code}`}>
          <MonitorPlay size={16} aria-hidden="true" />
          {t('wall')}
        </Link>
        <Link className="btn h-11" to={`/lists/${listId}/results?link=${id}`}>
          {common('results')}
        </Link>
        <button
          type="button"
          className="btn h-11"
          disabled={change.isPending}
          onClick={() => change.mutate({ id, open: !open })}
        >
          {open ? t('close') : t('reopen')}
        </button>
        <OfferEnd offer={offer} />
      </div>
      <div className="flex w-full flex-col">
        {offer.classId !== null && <ChangeWork offer={offer} />}
        <ShareMore offer={offer} address={address} />
      </div>
      {leading && Lead && <Lead offerId={id} onClose={() => setLeading(false)} />}
    </article>
  )
}
