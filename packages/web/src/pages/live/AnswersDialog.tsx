import type { HostStudent } from '@otter/api'
import { useStudentAnswers } from '../../api/live.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { AnswerList } from '../results/AnswerList.tsx'
import { LateAnswers } from '../results/LateAnswers.tsx'
import { OtterAvatar } from '../../live/OtterAvatar.tsx'
import { RemoveStudent } from './RemoveStudent.tsx'

interface AnswersDialogProps {
  offerId: string
  student: HostStudent
  onClose: () => void
}

/** What one student has answered so far, the newest first. */
export function AnswersDialog({ offerId, student, onClose }: AnswersDialogProps) {
  const t = useTexts(liveTexts)
  const { name, note, look, participantId, moves } = student
  const answers = useStudentAnswers(offerId, participantId, moves)
  return (
    <Dialog title={t('answers.title', { name })} layout="flex flex-col gap-3" onClose={onClose}>
      <div className="flex items-center gap-3">
        <OtterAvatar look={look} size={56} />
        {note !== '' && <bdi className="quiet">{note}</bdi>}
      </div>
      <Notice error={answers.error} />
      {student.late && <LateAnswers offerId={offerId} participantId={participantId} />}
      {answers.data?.answers.length === 0 && <p>{t('answers.none')}</p>}
      {answers.data && <AnswerList answers={answers.data.answers} />}
      <div className="flex items-center justify-between gap-2">
        <RemoveStudent offerId={offerId} student={student} />
        <button type="button" className="btn" data-first onClick={onClose}>
          {t('answers.close')}
        </button>
      </div>
    </Dialog>
  )
}
