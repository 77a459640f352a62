import type { HostStudent } from '@otter/api'
import { Check, Minus, X } from 'lucide-react'
import { useStudentAnswers } from '../../api/live.ts'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { LateAnswers } from '../results/LateAnswers.tsx'
import { OtterAvatar } from '../../live/OtterAvatar.tsx'
import { RemoveStudent } from './RemoveStudent.tsx'

interface AnswersDialogProps {
  offerId: string
  student: HostStudent
  onClose: () => void
}

const ICONS = { right: Check, wrong: X, passed: Minus, opinion: Minus }

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
      <ul className="flex flex-col gap-1">
        {answers.data?.answers.map(({ text, given, outcome, round, hints }, index) => {
          const Icon = ICONS[outcome]
          return (
            <li key={index} className="flex items-center gap-2 border-b border-base-300 py-1 last:border-0">
              <Icon
                size={18}
                className={outcome === 'right' ? 'shrink-0 text-success' : 'shrink-0 text-error'}
                aria-label={t(`running.outcomes.${outcome}`)}
              />
              <bdi className="min-w-0 flex-1">{text}</bdi>
              {outcome !== 'right' && given !== '' && <bdi className="text-error">{given}</bdi>}
              {round !== 'first' && <span className="quiet text-sm">{t(`answers.${round}`)}</span>}
              {hints > 0 && <span className="quiet text-sm">{t('answers.hints', { count: hints })}</span>}
            </li>
          )
        })}
      </ul>
      <div className="flex items-center justify-between gap-2">
        <RemoveStudent offerId={offerId} student={student} />
        <button type="button" className="btn" data-first onClick={onClose}>
          {t('answers.close')}
        </button>
      </div>
    </Dialog>
  )
}
