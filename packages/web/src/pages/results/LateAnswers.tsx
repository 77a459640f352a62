import { Check, X } from 'lucide-react'
import { useCountLate, useLateAnswers } from '../../api/results.ts'
import { commonTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Notice } from '../../ui/Notice.tsx'

interface LateAnswersProps {
  offerId: string
  participantId: string
}

/** What a student answered too late, with the teacher's word to count it. */
export function LateAnswers({ offerId, participantId }: LateAnswersProps) {
  const t = useTexts(commonTexts)
  const late = useLateAnswers(offerId, participantId)
  const count = useCountLate(offerId, participantId)
  const answers = late.data?.answers
  if (!answers) return <Notice error={late.error} />
  return (
    <section aria-label={t('late.come')} className="panel flex flex-col gap-2 border-warning p-3">
      <h3 className="font-bold">{t('late.come')}</h3>
      <Notice error={count.error} />
      <ul className="flex flex-col gap-1">
        {answers.map(({ text, given, outcome, wasOffline }, index) => (
          <li key={index} className="flex flex-wrap items-center gap-2">
            {outcome === 'right' && <Check size={18} className="text-success" aria-label={t('late.right')} />}
            {outcome === 'wrong' && <X size={18} className="text-error" aria-label={t('late.wrong')} />}
            <bdi className="min-w-0 flex-1">{text}</bdi>
            {given !== text && <bdi>{given}</bdi>}
            {wasOffline && <span className="quiet text-sm">{t('late.offline')}</span>}
          </li>
        ))}
      </ul>
      <p className="quiet text-sm">{t('late.counts')}</p>
      <button type="button" className="btn self-start" disabled={count.isPending} onClick={() => count.mutate()}>
        {t('late.count')}
      </button>
    </section>
  )
}

/** Says beside a student's name that answers came too late, and leads to them. */
export function LateSign({ onOpen }: { onOpen: () => void }) {
  const t = useTexts(commonTexts)
  return (
    <button type="button" className="link ms-1 text-sm font-normal" onClick={onOpen}>
      {t('late.short')}
    </button>
  )
}
