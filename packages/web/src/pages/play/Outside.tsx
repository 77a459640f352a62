import { playTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Rest } from './Frame.tsx'

/** Who says to be somebody already there waits until the teacher has said so. */
export function Waiting({ name, onLeave }: { name: string; onLeave: () => void }) {
  const t = useTexts(playTexts)
  return (
    <>
      <Rest>
        <strong>{t('waits', { name })}</strong>
        <br />
        {t('waitsHelp')}
      </Rest>
      <button type="button" className="btn mx-auto h-11" onClick={onLeave}>
        {t('anotherName')}
      </button>
    </>
  )
}

/** A newcomer has played nothing here: that something is kept would be no word for them. */
export function ClosedForNewcomers({ opensAt }: { opensAt: string | null }) {
  const t = useTexts(playTexts)
  const { date } = useWriting()
  return (
    <>
      <Rest>
        {opensAt !== null
          ? t('opensAt', { when: date(opensAt, { dateStyle: 'full', timeStyle: 'short' }) })
          : t('closedForNew')}
      </Rest>
      <div className="flex justify-center">
        <a className="btn btn-primary h-12" href="/in">
          {t('anotherCode')}
        </a>
      </div>
    </>
  )
}
