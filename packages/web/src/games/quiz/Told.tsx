import type { AskedQuestion, ToldAnswer } from '@otter/core/games/quiz'
import type { PlayProps } from '../contract.ts'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { NextButton } from '../../ui/NextButton.tsx'
import { Why } from './Why.tsx'

interface ToldProps {
  told: ToldAnswer
  form: AskedQuestion['form']
  opinions: PlayProps<never, never>['opinions']
  waiting: boolean
  /** Absent where the next question comes to all at once. */
  onNext: (() => void) | undefined
}

/** What came of an answer: right or not, what would have been, why a typed one counts, and what the class thinks. */
export function Told({ told, form, opinions, waiting, onNext }: ToldProps) {
  const t = useTexts(texts)
  const { right, scored, late, given, answers, points, fact } = told
  return (
    <section
      aria-live="polite"
      className={`panel flex flex-col gap-2 border-2 p-4 ${!scored ? '' : right ? 'border-success' : 'border-error'}`}
    >
      {scored && (
        <p className={`text-xl font-bold ${right ? 'text-success' : 'text-error'}`}>
          {t(right ? 'right' : late ? 'late' : 'wrong')}
          {points > 0 && ` · ${t('points', { count: points })}`}
        </p>
      )}
      {form === 'typed' && given !== '' && !right && (
        <p>
          {t('youTyped')} <bdi>{given}</bdi>
        </p>
      )}
      {form === 'typed' && <Why told={told} />}
      {scored && !right && answers.length > 0 && (
        <p>
          {t('answerIs')}{' '}
          <strong>
            <bdi>{answers.join(', ')}</bdi>
          </strong>
        </p>
      )}
      {!scored && <Opinions opinions={opinions} given={given} />}
      {fact !== '' && <p>{fact}</p>}
      {onNext && (
        <NextButton className="self-end" disabled={waiting} onClick={onNext}>
          {t('next')}
        </NextButton>
      )}
    </section>
  )
}

/** How the class is split over a question without a right answer. */
export function Opinions({ opinions, given }: { opinions: ToldProps['opinions']; given: string }) {
  const t = useTexts(texts)
  const all = opinions.reduce((sum, { count }) => sum + count, 0)
  if (all === 0) return <p>{t('thanks')}</p>
  return (
    <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 gap-y-1" aria-label={t('split')}>
      {opinions.map(({ given: own, count }) => (
        <div key={own} className="contents">
          <dt className={own === given ? 'font-bold' : ''}>
            <bdi>{own}</bdi>
          </dt>
          <dd className="h-3 overflow-hidden rounded bg-base-300" aria-hidden="true">
            <span className="block h-full bg-secondary" style={{ width: `${(count / all) * 100}%` }} />
          </dd>
          <dd>{count}</dd>
        </div>
      ))}
    </dl>
  )
}
