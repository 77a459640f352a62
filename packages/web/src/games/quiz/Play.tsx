import type { QuizMove, QuizView } from '@otter/core/games/quiz'
import type { PlayProps } from '../contract.ts'
import { Cards } from './Cards.tsx'
import { Question } from './Question.tsx'
import { Review } from './Review.tsx'
import { Told } from './Told.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** A quiz as it is played: cards by choice, question after question, what was missed once more, then all answers. */
export function Play({ view, send, waiting, left, opinions }: PlayProps<QuizView, QuizMove>) {
  const t = useTexts(texts)
  const { phase, question, told, round, sent, inStep } = view
  if (phase === 'cards') return <Cards cards={view.cards} onBegin={() => send({ type: 'begin' })} />
  if (!question) return <Review view={view} opinions={opinions} />
  return (
    <div className="flex flex-col gap-3">
      {round === 2 && <p className="panel border-secondary bg-accent p-2 text-center">{t('second')}</p>}
      <Question
        key={`${round} ${question.number}`}
        question={question}
        told={told}
        sent={sent}
        waiting={waiting}
        left={left}
        send={send}
      />
      {sent && (
        <p role="status" className="quiet text-center text-lg">
          {t(sent.change ? 'sentChange' : 'sent')}
        </p>
      )}
      {told && (
        <Told
          told={told}
          form={question.form}
          opinions={opinions.filter(({ entryId }) => entryId === question.entryId)}
          waiting={waiting}
          onNext={inStep ? undefined : () => send({ type: 'next' })}
        />
      )}
    </div>
  )
}
