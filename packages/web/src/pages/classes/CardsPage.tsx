import { Printer } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { useClass } from '../../api/classes.ts'
import { classesTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { PrintFrame } from '../print/PrintFrame.tsx'

/** Cards to cut out, one for each student: how to come into the class. The secret is the student's own, and not on it. */
export function CardsPage() {
  const t = useTexts(classesTexts)
  const common = useTexts(commonTexts)
  const { id = '' } = useParams()
  const { data, error } = useClass(id)
  return (
    <PrintFrame
      title={t('cards.title')}
      controls={
        <>
          <p className="me-auto">{t('cards.help')}</p>
          <Link className="btn h-11" to={`/classes/${id}`}>
            {common('back')}
          </Link>
          <button type="button" className="btn btn-primary h-11" disabled={!data} onClick={() => print()}>
            <Printer size={18} aria-hidden="true" />
            {common('print')}
          </button>
        </>
      }
    >
      <Notice error={error} />
      {!data && !error && <Waterline filled={undefined} label={t('fetching')} />}
      {data && (
        <ul className="grid grid-cols-2 bg-white text-[#14312F]">
          {data.roll
            .filter(({ state }) => state === 'in')
            .map((student) => (
              <li
                key={student.id}
                className="flex break-inside-avoid items-center gap-3 border border-dashed border-[#46605B] p-4"
              >
                <QrCode
                  text={`${location.origin}/class/${data.code}?me=${student.id}`}
                  size={96}
                  label={t('cards.qr', { name: student.name })}
                />
                <div className="min-w-0">
                  <p className="truncate text-xl font-bold" dir="auto">
                    {student.name}
                  </p>
                  <p dir="auto">{data.name}</p>
                  <p className="text-sm">{`${location.host}/class`}</p>
                  <p className="text-lg font-bold tracking-[0.15em]">{data.code}</p>
                </div>
              </li>
            ))}
        </ul>
      )}
    </PrintFrame>
  )
}
