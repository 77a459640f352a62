import type { QuizView } from '@otter/core/games/quiz'
import { Check } from 'lucide-react'
import type { InStepProps } from '../contract.ts'
import { FaceBody, ShownFace } from '../ShownFace.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'

/** The question that all are asked; once it is closed, what the class gave, the right answer and the fact. */
export function InStepWall({ view: { question, told }, split }: InStepProps<QuizView>) {
  if (!question) return null
  const counts = new Map(split?.answers.map(({ given, count }) => [given, count]))
  return (
    <>
      <h2 className="text-center text-3xl leading-snug">
        <ShownFace face={question.prompt} className="justify-center" />
      </h2>
      {question.form === 'choice' && <Choices question={question} told={told} counts={counts} />}
      {question.form === 'true-false' && <Claim question={question} />}
      {told && question.form !== 'choice' && <Answers answers={told.answers} counts={counts} />}
      {told && told.fact !== '' && (
        <p aria-live="polite" className="text-center text-xl">
          {told.fact}
        </p>
      )}
    </>
  )
}

interface AskedProps {
  question: NonNullable<QuizView['question']>
  told: QuizView['told']
  counts: ReadonlyMap<string, number>
}

function Choices({ question: { choices, several }, told, counts }: AskedProps) {
  const quiz = useTexts(texts)
  const most = Math.max(1, ...counts.values())
  return (
    <ol className="grid gap-2 sm:grid-cols-2">
      {choices.map((face, index) => {
        const isRight = told?.choices[index] ?? false
        const count = several ? undefined : counts.get(face.text.trim() || face.picture?.alt || '')
        return (
          <li
            key={index}
            className={`panel relative flex min-h-14 items-center gap-3 overflow-hidden p-3 text-xl leading-tight ${isRight ? 'border-2! border-success!' : ''}`}
          >
            {told && (
              <span
                aria-hidden="true"
                className={`absolute inset-y-0 start-0 ${isRight ? 'bg-success/20' : 'stripes opacity-40'}`}
                style={{ width: `${((count ?? 0) / most) * 100}%` }}
              />
            )}
            <strong className="relative flex size-9 shrink-0 items-center justify-center rounded-full border border-base-300 bg-base-100">
              {String.fromCharCode(65 + index)}
            </strong>
            <span className="relative min-w-0 flex-1">
              <FaceBody face={face} />
            </span>
            {told && !several && <span className="relative tabular-nums">{count ?? 0}</span>}
            {isRight && <Check className="relative shrink-0 text-success" aria-label={quiz('isRight')} />}
          </li>
        )
      })}
    </ol>
  )
}

function Claim({ question }: Pick<AskedProps, 'question'>) {
  return (
    <p className="panel p-4 text-center text-2xl">
      <ShownFace face={question.choices[0]!} className="justify-center" />
    </p>
  )
}

function Answers({ answers, counts }: { answers: string[]; counts: ReadonlyMap<string, number> }) {
  return (
    <>
      <p className="text-center text-3xl font-bold text-success">
        <bdi>{answers.join(', ')}</bdi>
      </p>
      <ul className="flex flex-wrap justify-center gap-2 text-xl">
        {[...counts].slice(0, 8).map(([given, count]) => (
          <li key={given} className="panel px-3 py-1">
            <bdi>{given}</bdi> <span className="quiet tabular-nums">{count}</span>
          </li>
        ))}
      </ul>
    </>
  )
}
