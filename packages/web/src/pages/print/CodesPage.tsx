import { Printer } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { useClass, useOverview } from '../../api/classes.ts'
import { useOffers } from '../../api/offers.ts'
import { useGameWords } from '../../games/words.ts'
import { classesTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { PrintFrame } from './PrintFrame.tsx'

/** A game as a sheet of codes shows it. */
interface Coded {
  code: string
  title: string
  about: string
}

/** The codes of all games of a list that are open. */
export function ListCodesPage() {
  const { id = '' } = useParams()
  const offers = useOffers(id)
  const words = useGameWords()
  const open = offers.data?.filter((one) => one.open && !one.archived && one.live === null && one.teams === null)
  return (
    <CodesSheet
      back={`/lists/${id}/play`}
      error={offers.error}
      games={open?.map(({ code, name, title, kind, className }) => ({
        code,
        title: name || title,
        about: [className, words.name(kind)].filter(Boolean).join(' · '),
      }))}
    />
  )
}

/** The codes of all that is set for a class and open. */
export function ClassCodesPage() {
  const t = useTexts(classesTexts)
  const { date } = useWriting()
  const { id = '' } = useParams()
  const details = useClass(id)
  const overview = useOverview(id)
  const words = useGameWords()
  return (
    <CodesSheet
      back={`/classes/${id}`}
      error={overview.error ?? details.error}
      games={overview.data?.work
        .filter(({ open }) => open)
        .map(({ code, name, title, kind, dueAt }) => ({
          code,
          title: name || title,
          about: [
            details.data?.name,
            words.name(kind),
            dueAt && t('due', { when: date(dueAt, { dateStyle: 'medium', timeStyle: 'short' }) }),
          ]
            .filter(Boolean)
            .join(' · '),
        }))}
    />
  )
}

function CodesSheet({ back, games, error }: { back: string; games: Coded[] | undefined; error: Error | null }) {
  const t = useTexts(classesTexts)
  const common = useTexts(commonTexts)
  return (
    <PrintFrame
      title={t('codes.title')}
      controls={
        <>
          <p className="me-auto">{t('codes.help')}</p>
          <Link className="btn h-11" to={back}>
            {common('back')}
          </Link>
          <button type="button" className="btn btn-primary h-11" disabled={!games?.length} onClick={() => print()}>
            <Printer size={18} aria-hidden="true" />
            {common('print')}
          </button>
        </>
      }
    >
      <Notice error={error} />
      {games?.length === 0 && <p>{t('codes.none')}</p>}
      <ul className="grid grid-cols-2 bg-white text-[#14312F]">
        {games?.map(({ code, title, about }) => (
          <li
            key={code}
            className="flex break-inside-avoid items-center gap-3 border border-dashed border-[#46605B] p-4"
          >
            <QrCode text={`${location.origin}/p/${code}`} size={96} label={common('qrOf', { code })} />
            <div className="min-w-0">
              <p className="text-lg font-bold" dir="auto">
                {title}
              </p>
              <p dir="auto">{about}</p>
              <p className="text-sm">{`${location.host}/in`}</p>
              <p className="text-2xl font-bold tracking-[0.15em]">{code}</p>
            </div>
          </li>
        ))}
      </ul>
    </PrintFrame>
  )
}
