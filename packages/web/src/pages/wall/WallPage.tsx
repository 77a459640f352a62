import type { OfferReply } from '@otter/api'
import { Link, useParams } from 'react-router'
import { useHere, useOffers } from '../../api/offers.ts'
import { useGameWords } from '../../games/words.ts'
import { commonTexts, wallTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'

/** The code for the projector, large enough for the last row. */
export function WallPage() {
  const t = useTexts(wallTexts)
  const { id = '', code = '' } = useParams()
  const offers = useOffers(id)
  const offer = offers.data?.find((one) => one.code === code)
  return (
    <main className="fixed inset-0 z-10 flex flex-col gap-[3vh] overflow-y-auto bg-base-200 p-[4vw]">
      <Notice error={offers.data ? null : offers.error} />
      {offer && <Door offer={offer} listId={id} />}
      {offers.data && !offer && (
        <div className="m-auto flex flex-col items-center gap-[3vh] text-center text-[max(28px,2.6vw)]">
          <h1 className="text-[max(28px,4vw)]">{t('noGame', { code })}</h1>
          <Link className="btn h-16 text-[28px]" to={`/lists/${id}/play`}>
            {t('toLinks')}
          </Link>
        </div>
      )}
    </main>
  )
}

/** How to come in, and who has. */
function Door({ offer: { id: offerId, code, kind, open, title }, listId }: { offer: OfferReply; listId: string }) {
  const t = useTexts(wallTexts)
  const common = useTexts(commonTexts)
  const words = useGameWords()
  const { list } = useWriting()
  const students = useHere(offerId).data?.students ?? []
  const here = students.filter((student) => student.here)
  return (
    <>
      <div className="flex flex-1 flex-wrap items-center justify-between gap-[3vw]">
        <div className="flex min-w-0 flex-col gap-[2vh]">
          <h1 className="text-[max(28px,4vw)]" dir="auto">
            {title || common('untitled')}
          </h1>
          <p className="quiet text-[max(28px,2.2vw)]">{words.name(kind)}</p>
          {open ? (
            <>
              <p className="text-[max(28px,2.6vw)]">
                <Rich texts={wallTexts} id="goTo" values={{ host: location.host }} marks={{ address: <strong /> }} />
              </p>
              <p className="text-[max(64px,11vw)] font-bold leading-none tracking-[0.12em]">{code}</p>
            </>
          ) : (
            <p className="text-[max(40px,6vw)] font-bold text-error">{t('closed')}</p>
          )}
        </div>
        {open && (
          <QrCode
            text={`${location.origin}/p/${code}`}
            size={Math.round(Math.min(innerWidth * 0.26, innerHeight * 0.5))}
            label={common('qrOf', { code })}
          />
        )}
      </div>
      {students.length > 0 && (
        <p className="max-h-[24vh] overflow-y-auto text-[max(28px,2vw)] leading-snug">
          {students.map((student, index) => (
            <span key={student.participantId}>
              {index > 0 && ' · '}
              <bdi className={student.here ? 'font-bold' : 'quiet'}>{student.name}</bdi>
            </span>
          ))}
        </p>
      )}
      <Waterline filled={open ? 1 : 0} label={open ? t('open') : t('closed')} />
      <div className="flex items-center justify-between gap-4 text-[max(28px,2vw)]">
        <p role="status">
          <strong>{t('here', { count: here.length })}</strong>
          {students.length > here.length && ` · ${t('joined', { count: students.length })}`}
          <span className="sr-only">{here.length > 0 && list(here.map(({ name }) => name))}</span>
        </p>
        <Link className="btn h-16 text-[28px]" to={`/lists/${listId}/results?link=${offerId}`}>
          {common('results')}
        </Link>
      </div>
    </>
  )
}
