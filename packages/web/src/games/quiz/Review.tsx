import type { QuizView } from '@otter/core/games/quiz'
import { Check, X } from 'lucide-react'
import type { PlayProps } from '../contract.ts'
import { ShownFace } from '../ShownFace.tsx'
import { Opinions } from './Told.tsx'
import { Why } from './Why.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** All questions with their answers, once the quiz is over. */
export function Review({
  view: { review, second, pass },
  opinions,
}: {
  view: QuizView
  opinions: PlayProps<never, never>['opinions']
}) {
  const t = useTexts(texts)
  return (
    <section className="flex flex-col gap-3">
      {pass && (
        <p className={`panel p-3 text-lg font-bold ${pass.passed ? 'text-success' : ''}`}>
          {t(pass.passed ? 'passed' : 'notPassed', { mark: pass.mark })}
        </p>
      )}
      {second && <p className="panel p-3">{t('secondResult', second)}</p>}
      <h2 className="text-xl">{t('review')}</h2>
      <ol className="flex flex-col gap-2">
        {review.map((answer) => {
          const { entryId, prompt, claim, right, scored, given, answers, fact, second: again } = answer
          return (
            <li key={entryId} className="panel flex gap-3 p-3">
              {scored ? (
                right ? (
                  <Check className="shrink-0 text-success" aria-label={t('isRight')} />
                ) : (
                  <X className="shrink-0 text-error" aria-label={t('isWrong')} />
                )
              ) : (
                <span className="w-6 shrink-0" />
              )}
              <div className="min-w-0 flex-1">
                <p>
                  <ShownFace face={prompt} />
                </p>
                {claim !== '' && (
                  <p className="quiet">
                    <bdi>{claim}</bdi>
                  </p>
                )}
                {scored && (
                  <p>
                    <strong>
                      <bdi>{answers.join(', ')}</bdi>
                    </strong>
                    {!right && given !== '' && (
                      <>
                        {' '}
                        · <span className="quiet">{t('yours')}</span> <bdi>{given}</bdi>
                      </>
                    )}
                    {again === true && (
                      <>
                        {' '}
                        · <span className="text-success">{t('againRight')}</span>
                      </>
                    )}
                  </p>
                )}
                {scored && <Why told={answer} className="quiet text-sm" />}
                {!scored && <Opinions opinions={opinions.filter((one) => one.entryId === entryId)} given={given} />}
                {fact !== '' && <p className="text-sm">{fact}</p>}
              </div>
            </li>
          )
        })}
      </ol>
    </section>
  )
}
