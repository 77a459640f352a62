import { Link, useParams } from 'react-router'
import { useList, useOffers } from '../../api/queries.ts'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { commonTexts, wallTexts } from '../../texts/namespaces.ts'
import { Rich } from '../../texts/Rich.tsx'
import { useTexts } from '../../texts/texts.ts'

/** The code for the projector, large enough for the last row. */
export function WallPage() {
  const t = useTexts(wallTexts)
  const common = useTexts(commonTexts)
  const { id = '', code = '' } = useParams()
  const list = useList(id)
  const link = useOffers(id).data?.find((offer) => offer.code === code)
  return (
    <main className="fixed inset-0 z-10 flex flex-col gap-[3vh] bg-base-200 p-[4vw]">
      <div className="flex flex-1 flex-wrap items-center justify-between gap-[3vw]">
        <div className="flex flex-col gap-[2vh]">
          <h1 className="text-[max(28px,4vw)]" dir="auto">
            {list.data?.title || common('untitled')}
          </h1>
          <p className="text-[max(28px,2.6vw)]">
            <Rich texts={wallTexts} id="goTo" values={{ host: location.host }} marks={{ address: <strong /> }} />
          </p>
          <p className="text-[max(64px,11vw)] font-bold leading-none tracking-[0.12em]">{code}</p>
        </div>
        <QrCode
          text={`${location.origin}/p/${code}`}
          size={Math.round(Math.min(innerWidth * 0.26, innerHeight * 0.5))}
          label={common('qrOf', { code })}
        />
      </div>
      <Waterline filled={link?.open === false ? 0 : 1} label={t('open')} />
      <div className="flex items-center justify-between text-[max(28px,2vw)]">
        <p role="status">
          <strong>{t('here', { count: link?.players ?? 0 })}</strong>
          {link?.open === false && ` · ${t('closed')}`}
        </p>
        <Link className="btn h-16 text-[28px]" to={link ? `/lists/${id}/results?link=${link.id}` : `/lists/${id}/play`}>
          {common('results')}
        </Link>
      </div>
    </main>
  )
}
