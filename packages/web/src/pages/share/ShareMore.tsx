import type { OfferReply } from '@otter/api'
import { Copy, Mail } from 'lucide-react'
import { useContext, useState } from 'react'
import { useClasses } from '../../api/classes.ts'
import { useChangeOffer } from '../../api/offers.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { TimeZone, useTexts } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { BoardChoice } from './BoardChoice.tsx'
import { mailFor } from './mailFor.ts'

/** Further ways to give a game to students: a text to send, and a code for another site. */
export function ShareMore({ offer, address }: { offer: OfferReply; address: string }) {
  const t = useTexts(shareTexts)
  return (
    <details>
      <summary className="w-fit cursor-pointer py-1">{t('moreWays')}</summary>
      <div className="panel mt-1 flex flex-col gap-4 bg-base-200 p-3">
        <MailText offer={offer} address={address} />
        <Embedding offer={offer} />
        {offer.live === null && <BoardChoice offer={offer} />}
      </div>
    </details>
  )
}

function MailText({ offer, address }: { offer: OfferReply; address: string }) {
  const t = useTexts(shareTexts)
  const timeZone = useContext(TimeZone)
  const classLanguage = useClasses().data?.find(({ id }) => id === offer.classId)?.language ?? ''
  const [mail, setMail] = useState<{ subject: string; text: string }>()
  return (
    <div className="flex flex-col gap-2">
      <button
        type="button"
        className="btn h-11 self-start"
        onClick={() => void mailFor(offer, { address, classLanguage, timeZone }).then(setMail)}
      >
        <Mail size={16} aria-hidden="true" />
        {t('mail.write')}
      </button>
      {mail && (
        <>
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('mail.text')}</span>
            <textarea
              className="textarea w-full"
              rows={6}
              dir="auto"
              readOnly
              value={`${mail.subject}\n\n${mail.text}`}
            />
          </label>
          <a
            className="link self-start"
            href={`mailto:?subject=${encodeURIComponent(mail.subject)}&body=${encodeURIComponent(mail.text)}`}
          >
            {t('mail.open')}
          </a>
        </>
      )}
    </div>
  )
}

type Frames = 'none' | 'some' | 'all'

/** Whether other sites may show the game, and the code that they need. */
function Embedding({ offer: { id, code, title, frames } }: { offer: OfferReply }) {
  const t = useTexts(shareTexts)
  const change = useChangeOffer()
  const [sites, setSites] = useState(frames?.join('\n') ?? '')
  const [chosen, setChosen] = useState<Frames>(frames === null ? 'none' : frames.length === 0 ? 'all' : 'some')
  const [copied, setCopied] = useState(false)
  const named = sites.split(/\s+/u).filter((site) => site !== '')
  const markup = `<iframe src="${location.origin}/e/${code}" title="${title.replace(/["&<>]/gu, ' ')}" width="100%" height="720" style="border:0"></iframe>`
  const save = (what: Frames): void =>
    change.mutate({ id, frames: what === 'none' ? null : what === 'all' ? [] : named })
  return (
    <div className="flex flex-col gap-2">
      <div className="max-w-xs">
        <Select
          label={t('frame.who')}
          value={chosen}
          options={(['none', 'some', 'all'] as const).map((who) => [who, t(`frame.whoIs.${who}`)])}
          onChange={(who) => {
            setChosen(who)
            if (who !== 'some') save(who)
          }}
        />
      </div>
      {chosen === 'some' && (
        <label className="flex flex-col">
          <span className="quiet text-sm">{t('frame.sites')}</span>
          <textarea
            className="textarea w-full max-w-md"
            rows={2}
            value={sites}
            onChange={(event) => setSites(event.target.value)}
            onBlur={() => named.length > 0 && save('some')}
          />
        </label>
      )}
      <Notice error={change.error} />
      {frames !== null && (
        <>
          <label className="flex flex-col">
            <span className="quiet text-sm">{t('frame.code')}</span>
            <textarea className="textarea w-full font-mono text-sm" rows={3} dir="ltr" readOnly value={markup} />
          </label>
          <button
            type="button"
            className="btn h-11 self-start"
            onClick={() =>
              void navigator.clipboard.writeText(markup).then(
                () => setCopied(true),
                () => setCopied(false),
              )
            }
          >
            <Copy size={16} aria-hidden="true" />
            <span aria-live="polite">{copied ? t('copied') : t('frame.copy')}</span>
          </button>
        </>
      )}
    </div>
  )
}
