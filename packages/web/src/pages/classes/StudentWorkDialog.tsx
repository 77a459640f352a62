import { useStudentWork } from '../../api/classes.ts'
import { classesTexts, commonTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { AnswerList } from '../results/AnswerList.tsx'

interface StudentWorkDialogProps {
  classId: string
  studentId: string
  offerId: string
  name: string
  onClose: () => void
}

/** What one student did at one piece of work, the newest attempt first. */
export function StudentWorkDialog({ classId, studentId, offerId, name, onClose }: StudentWorkDialogProps) {
  const t = useTexts(classesTexts)
  const common = useTexts(commonTexts)
  const { date } = useWriting()
  const work = useStudentWork({ classId, studentId, offerId })
  return (
    <Dialog title={t('work.title', { name })} layout="flex flex-col gap-3" onClose={onClose}>
      <Notice error={work.error} />
      {work.data && <p dir="auto">{work.data.title}</p>}
      {work.data?.attempts.length === 0 && <p>{t('state.not-begun')}</p>}
      {work.data?.attempts.map(({ startedAt, endedAt, right, total, answers }, index, all) => (
        <section key={startedAt} aria-labelledby={`attempt-${index}`}>
          <h3 id={`attempt-${index}`} className="text-lg">
            {[
              t('work.attempt', { number: all.length - index }),
              date(startedAt, { dateStyle: 'medium', timeStyle: 'short' }),
              t('work.right', { right, total }),
              ...(endedAt === null ? [t('state.under-way')] : []),
            ].join(' · ')}
          </h3>
          <AnswerList answers={answers} />
        </section>
      ))}
      <button type="button" className="btn self-end" data-first onClick={onClose}>
        {common('close')}
      </button>
    </Dialog>
  )
}
