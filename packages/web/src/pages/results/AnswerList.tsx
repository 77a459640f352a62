import type { StudentWork } from '@otter/api'
import { Check, Minus, X } from 'lucide-react'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

const ICONS = { right: Check, wrong: X, passed: Minus, opinion: Minus }

/** Answers of one student, one a line. */
export function AnswerList({ answers }: { answers: StudentWork['attempts'][number]['answers'] }) {
  const t = useTexts(liveTexts)
  return (
    <ul className="flex flex-col gap-1">
      {answers.map(({ text, given, outcome, round, hints }, index) => {
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
  )
}
