import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useClass, useClassAct, useOverview } from '../../api/classes.ts'
import { classesTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { ClassSettings } from './ClassSettings.tsx'
import { Overview } from './Overview.tsx'
import { Roll } from './Roll.tsx'

/** One class: who has done what, its students, and what holds for it. */
export function ClassPage() {
  const t = useTexts(classesTexts)
  const { id = '' } = useParams()
  const details = useClass(id)
  const overview = useOverview(id)
  const act = useClassAct(id)
  const [isShowing, setShowing] = useState(false)
  if (!details.data)
    return (
      <main className="mx-auto max-w-[1240px] px-4 py-6">
        <h1 className="sr-only">{t('title')}</h1>
        {details.error ? <Notice error={details.error} /> : <Waterline filled={undefined} label={t('fetching')} />}
      </main>
    )
  const { name, grade, year, students, code } = details.data
  const address = `${location.origin}/class/${code}`
  const begun = overview.data?.students.filter(({ standings }) =>
    standings.some((standing) => standing && standing.state !== 'not-begun'),
  ).length
  return (
    <main className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-6">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-4xl" dir="auto">
            {name}
          </h1>
          <p className="quiet">{[grade, year, t('students', { count: students })].filter(Boolean).join(' · ')}</p>
        </div>
        <div className="flex items-center gap-3">
          <p>
            {t('code')} <strong className="text-xl tracking-[0.15em]">{code}</strong>
          </p>
          <Link className="btn h-11" to={`/classes/${id}/report`}>
            {t('report')}
          </Link>
          <Link className="btn h-11" to={`/classes/${id}/codes`}>
            {t('codes.print')}
          </Link>
          <Link className="btn h-11" to={`/classes/${id}/cards`}>
            {t('cards.open')}
          </Link>
          <button type="button" className="btn h-11" onClick={() => setShowing(true)}>
            {t('showCode')}
          </button>
        </div>
      </header>
      <Waterline
        filled={students === 0 || begun === undefined ? 0 : begun / students}
        label={t('begun', { count: begun ?? 0, of: students })}
      />
      <Notice error={act.error ?? overview.error} />
      {overview.data && students > 0 && <Overview classId={id} overview={overview.data} />}
      <Roll details={details.data} act={act} />
      <ClassSettings details={details.data} act={act} />
      {isShowing && (
        <Dialog title={name} layout="max-w-3xl" onClose={() => setShowing(false)}>
          <div className="flex flex-wrap items-center justify-center gap-8 p-4 text-center">
            <QrCode text={address} size={280} label={t('qr', { address })} />
            <div>
              <p className="text-2xl">{t('goTo')}</p>
              <p className="break-all text-3xl font-bold">
                {address.replace(/^https?:\/\//u, '').replace(`/${code}`, '')}
              </p>
              <p className="mt-4 text-6xl font-bold tracking-[0.15em]">{code}</p>
            </div>
          </div>
        </Dialog>
      )}
    </main>
  )
}
