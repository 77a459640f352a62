import type { PlayReply } from '@otter/api'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

/** What a student must know of set work: the teacher's note, and until when it is to be done. */
export function WorkNote({ work, note }: Pick<PlayReply, 'work'> & { note: string }) {
  const t = useTexts(studentTexts)
  const { date } = useWriting()
  if (!work) return null
  const when = (moment: string): string => date(moment, { dateStyle: 'full', timeStyle: 'short' })
  const facts = [
    ...(work.dueAt ? [t('dueAt', { when: when(work.dueAt) })] : []),
    ...(work.minutes === null ? [] : [t('minutesEach', { count: work.minutes })]),
    ...(work.closesAt ? [t('closesAt', { when: when(work.closesAt) })] : []),
  ]
  if (note === '' && facts.length === 0) return null
  return (
    <div className="panel flex flex-col gap-1 p-3">
      {note !== '' && (
        <p dir="auto" className="whitespace-pre-line">
          {note}
        </p>
      )}
      {facts.length > 0 && <p className="quiet">{facts.join(' · ')}</p>}
    </div>
  )
}
